import type { ChartConfiguration } from 'chart.js';
import { inUnit, type TemperatureUnit } from '$core/control';
import { COLD_TOLERANCE_K, type EvenLog, type Proof, type YearProof } from '$core/thermal';
import { clockTime, DAY_SHORT } from '$core/week';

/** Our colours as they stand in the theme on screen. */
export interface Palette {
	readonly ink: string;
	readonly soft: string;
	readonly rule: string;
	readonly signal: string;
	readonly held: string;
	readonly heldFill: string;
	readonly warm: string;
}

/** A chart for a set of our colours. */
export type Drawing = (ink: Palette) => ChartConfiguration<'line'>;

type Lines = ChartConfiguration<'line'>['data']['datasets'];

/** Days drawn at once. */
export const SHOWN_DAYS = 2;
const A_DAY = 288;
/** Most points of a line: more than there are pixels. */
const MOST_POINTS = 1500;

/** Lines show as lines, areas as areas, each with its own dash and width. */
const legend = { labels: { usePointStyle: true, pointStyleWidth: 26, boxHeight: 8 } };
const line = (
	label: string,
	data: { x: number; y: number }[],
	color: string,
	width: number
): Lines[number] => ({
	label,
	data,
	borderColor: color,
	borderWidth: width,
	pointRadius: 0,
	pointStyle: 'line'
});

/** An hour on the axis of days that begins with a weekday: `Mon 00`, `06`. */
export function hourWords(hour: number, firstDay: number): string {
	const inDay = String(hour % 24).padStart(2, '0');
	return hour % 24 === 0 ? `${DAY_SHORT[(firstDay + Math.floor(hour / 24)) % 7]} ${inDay}` : inDay;
}

/**
 * Two days of a proof from a weekday on, over Sunday midnight too, in the zone's unit: what is governed and what is wanted of
 * it (filled where it counts as cold), setpoint, heating; of a floor sensor the room's air beside the floor.
 */
export function daysChart(proof: Proof, firstDay: number, unit: TemperatureUnit): Drawing {
	const points = (all: readonly number[]) =>
		Array.from({ length: SHOWN_DAYS * A_DAY + 1 }, (_, i) => ({
			x: (i * 5) / 60,
			y: all[(firstDay * A_DAY + i) % all.length]!
		}));
	const degrees = (all: readonly number[]) => points(all.map((c) => inUnit(unit, c)));
	const { air, set, wanted, heating, may } = proof.days;
	const governed = proof.governs === 'floor' ? proof.days.floor! : air;
	const isSwitch = proof.governs === 'nothing';
	const least = Math.min(...air, ...governed, ...(isSwitch ? [] : set.filter((c) => !Number.isNaN(c))));
	const floor = Math.floor(inUnit(unit, least) - (unit === 'F' ? 4 : 2));
	const name = (words: string) => `${words}, °${unit}`;
	// what is less than the tolerance under what is wanted is the swing of the regulation, not a cold room
	const short = wanted.map((c, i) => (c - governed[i]! > COLD_TOLERANCE_K ? c : NaN));
	return (ink) => {
		const datasets: Lines = [
			line(name(proof.governs === 'floor' ? 'floor' : 'room'), degrees(governed), ink.ink, 2.2)
		];
		if (proof.governs === 'floor')
			datasets.push({ ...line('room air', degrees(air), ink.ink, 1), borderDash: [1, 2] });
		if (!isSwitch)
			datasets.push(
				{
					...line('too cold', degrees(short), 'transparent', 0),
					pointStyle: 'rect',
					backgroundColor: `${ink.signal}55`,
					stepped: true,
					fill: { target: 0, above: `${ink.signal}55`, below: 'transparent' }
				},
				// broad under thin: both are seen where they run together
				{ ...line('wanted', degrees(wanted), `${ink.soft}66`, 6), stepped: true },
				{ ...line('setpoint', degrees(set), ink.held, 1.8), borderDash: [6, 3], stepped: true }
			);
		if (may)
			datasets.push({
				...line(
					'heat source timed off',
					points(may).map((p) => ({ x: p.x, y: p.y === 1 ? NaN : 100 })),
					'transparent',
					0
				),
				pointStyle: 'rect',
				yAxisID: 'heat',
				backgroundColor: `${ink.rule}aa`,
				stepped: true,
				fill: 'start'
			});
		datasets.push({
			...line(
				'heating, share of the time',
				points(heating).map((p) => ({ x: p.x, y: p.y * 100 })),
				ink.held,
				0.8
			),
			pointStyle: 'rect',
			yAxisID: 'heat',
			backgroundColor: ink.heldFill,
			stepped: true,
			fill: 'start'
		});
		return {
			type: 'line',
			data: { datasets },
			options: {
				animation: false,
				maintainAspectRatio: false,
				parsing: false,
				normalized: true,
				interaction: { mode: 'index', intersect: false },
				scales: {
					x: {
						type: 'linear',
						min: 0,
						max: SHOWN_DAYS * 24,
						ticks: { stepSize: 6, callback: (value) => hourWords(Number(value), firstDay) },
						grid: { color: ink.rule }
					},
					y: { min: floor, title: { display: true, text: `°${unit}` }, grid: { color: ink.rule } },
					heat: {
						// the lowest fifth of the drawing
						min: 0,
						max: 500,
						position: 'right',
						grid: { display: false },
						ticks: {
							stepSize: 100,
							callback: (value) => (Number(value) <= 100 ? `${value} %` : '')
						}
					}
				},
				plugins: {
					legend,
					tooltip: {
						callbacks: { title: (items) => clockTime(Math.round(((items[0]?.parsed.x ?? 0) % 24) * 60)) }
					}
				}
			}
		};
	};
}

/** Warm-up minutes against outdoor temperature, with the fixed half hour across it and the outdoor temperature of now; what is not reached is left out. */
export function curveChart(proof: Proof, unit: TemperatureUnit): Drawing {
	const x = (c: number) => inUnit(unit, c);
	const reached = proof.curve.flatMap(({ outdoorC, minutes }) =>
		minutes === null ? [] : [{ x: x(outdoorC), y: minutes }]
	);
	const most = Math.max(60, ...reached.map((point) => point.y));
	const [from, to] = [x(proof.curve[0]!.outdoorC), x(proof.curve.at(-1)!.outdoorC)];
	return (ink) => ({
		type: 'line',
		data: {
			datasets: [
				line('warm-up, min', reached, ink.ink, 2.4),
				{
					...line(
						'half an hour',
						[
							{ x: from, y: 30 },
							{ x: to, y: 30 }
						],
						ink.soft,
						1.4
					),
					borderDash: [6, 4]
				},
				line(
					'outside now',
					[
						{ x: x(proof.outdoorC), y: 0 },
						{ x: x(proof.outdoorC), y: most }
					],
					ink.signal,
					1.2
				)
			]
		},
		options: {
			animation: false,
			maintainAspectRatio: false,
			scales: {
				x: {
					type: 'linear',
					min: from,
					max: to,
					ticks: { stepSize: unit === 'F' ? 9 : 5 },
					title: { display: true, text: `outside, °${unit}` },
					grid: { color: ink.rule }
				},
				y: { min: 0, title: { display: true, text: 'minutes' }, grid: { color: ink.rule } }
			},
			plugins: { legend }
		}
	});
}

/** A log with the model over it, thinned to what can be seen. */
export function logChart(log: EvenLog, modelC: readonly number[], unit: TemperatureUnit): Drawing {
	const every = Math.max(1, Math.ceil(log.roomC.length / MOST_POINTS));
	const points = (all: readonly number[]) =>
		all.flatMap((c, i) => (i % every === 0 ? [{ x: (i * 5) / 60, y: inUnit(unit, c) }] : []));
	return (ink) => ({
		type: 'line',
		data: {
			datasets: [
				line('logger', points(log.roomC), ink.soft, 1),
				line('model', points(modelC), ink.ink, 2),
				line('outside', points(log.outdoorC), ink.rule, 1.2)
			]
		},
		options: {
			animation: false,
			maintainAspectRatio: false,
			parsing: false,
			normalized: true,
			scales: {
				x: { type: 'linear', title: { display: true, text: 'hours' }, grid: { color: ink.rule } },
				y: { title: { display: true, text: `°${unit}` }, grid: { color: ink.rule } }
			},
			plugins: { legend }
		}
	});
}

/** The months, short. */
export const MONTHS = [
	'Jan',
	'Feb',
	'Mar',
	'Apr',
	'May',
	'Jun',
	'Jul',
	'Aug',
	'Sep',
	'Oct',
	'Nov',
	'Dec'
] as const;

/** The heat of a year month by month, three ways, told apart by dashes. */
export function yearChart(year: YearProof): Drawing {
	const points = (all: readonly number[]) => all.map((y, x) => ({ x, y: Math.round(y) }));
	return (ink) => ({
		type: 'line',
		data: {
			datasets: [
				{ ...line('one temperature', points(year.steady.kWh), ink.soft, 1.8), borderDash: [6, 4] },
				{ ...line('the program', points(year.programmed.kWh), ink.ink, 2.6), pointRadius: 3 },
				{ ...line('frost level between', points(year.frost.kWh), ink.held, 1.8), borderDash: [2, 3] }
			]
		},
		options: {
			animation: false,
			maintainAspectRatio: false,
			scales: {
				x: {
					type: 'linear',
					min: 0,
					max: 11,
					ticks: { stepSize: 1, callback: (value) => MONTHS[Number(value)] ?? '' },
					grid: { color: ink.rule }
				},
				y: { min: 0, title: { display: true, text: 'kWh a month' }, grid: { color: ink.rule } }
			},
			plugins: { legend }
		}
	});
}
