import { goto } from '$app/navigation';
import { DAY_NAMES } from '$core/week';
import type { Command } from '../shell/commands.svelte';
import { dayCopied } from '../week/weekEdits';
import type { ZoneModel } from './zoneModel.svelte';

/** What "find" can do with the zone that is open. */
export const zoneCommands = (siteId: string, model: ZoneModel): Command[] => [
	...DAY_NAMES.flatMap((name, day) => [
		{
			label: `Copy ${name} onto every day`,
			detail: model.zone.name,
			run: () => model.change(dayCopied(model.zone, day, [0, 1, 2, 3, 4, 5, 6]))
		},
		{
			label: `Copy ${name} onto Monday to Friday`,
			detail: model.zone.name,
			run: () => model.change(dayCopied(model.zone, day, [0, 1, 2, 3, 4]))
		}
	]),
	{
		label: 'Print the card',
		detail: model.zone.name,
		run: () => void goto(`/sites/${siteId}/zones/${model.id}/key-in`).then(() => window.print())
	},
	{
		label: "Print the customer's page",
		detail: model.zone.name,
		run: () => void goto(`/sites/${siteId}/zones/${model.id}/hand-over`).then(() => window.print())
	}
];
