import type { OnSite } from '../plan';
import type { Checked, Finding, Rule, Severity } from './rules/check';
import { deviceRules } from './rules/device';
import { weekRules } from './rules/week';
import { workRules } from './rules/work';

export type { Checked, Fed, Finding, MendView, Severity } from './rules/check';
export { dueOf } from './rules/device';

/** The rules, each alone: docs/domain.md §11. */
export const rules: Readonly<Record<string, Rule>> = { ...workRules, ...weekRules, ...deviceRules };

const weight: Record<Severity, number> = { stop: 0, look: 1, note: 2 };

/** All that is to be said of a zone, worst first, as facts. */
export function findingsOf(checked: Checked): Finding[] {
	return Object.values(rules)
		.flatMap((rule) => rule(checked) ?? [])
		.sort((a, b) => weight[a.severity] - weight[b.severity]);
}

/** What a check must say of itself to be overruled. */
type Weighed = Pick<Finding, 'id' | 'severity'>;

/** The reason with which a check was overruled; null where it was not. Only a stop can be. */
export function reasonFor(check: Weighed, onSite: OnSite): string | null {
	if (check.severity !== 'stop') return null;
	return onSite.overruled.find((one) => one.check === check.id)?.reason ?? null;
}

/** What still stops the sign-off. */
export function stopsOf<T extends Weighed>(checks: readonly T[], onSite: OnSite): T[] {
	return checks.filter((check) => check.severity === 'stop' && reasonFor(check, onSite) === null);
}
