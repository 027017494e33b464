import type { Chart, ChartConfiguration, Plugin } from 'chart.js';
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
	pointRadius: 0
});

/** Room beside the drawing for what its lines are called, and the least distance of two such names, in px. */
const NAMES_WIDTH = 132;
const NAMES_APART = 17;
const SAMPLE_WIDTH = 14;
/** Under this a drawing has no room beside it: what its lines are called stands in rows above it. In px. */
const NARROW_WIDTH = 560;

/** Where the names of the lines stand in rows above a narrow drawing, and how many rows that are. */
function flowed({ ctx, data, width, options }: Chart<'line'>) {
	ctx.font = `13px ${String(options.font?.family)}`;
	let [x, row] = [0, 0];
	const at = data.datasets.map(({ label }): [x: number, y: number] => {
		const long = SAMPLE_WIDTH + ctx.measureText(label ?? '').width + 24;
		if (x > 0 && x + long > width) [x, row] = [0, row + 1];
		const here = x;
		x += long;
		return [here, (row + 0.5) * NAMES_APART];
	});
	return { at, rows: row + 1 };
}

/** Where the last thing that is drawn of a line lies; null where nothing is. */
function endOf(elements: readonly { x: number; y: number; skip?: boolean }[]) {
	for (let i = elements.length - 1; i >= 0; i--)
		if (!elements[i]!.skip && Number.isFinite(elements[i]!.y)) return elements[i]!;
	return null;
}

/** Says beside the end of each line what it is, with a piece of it: nobody has to look at a key of colours. */
export const namedLines: Plugin<'line'> = {
	id: 'named-lines',
	beforeLayout: (chart) => {
		chart.options.layout = {
			padding:
				chart.width < NARROW_WIDTH
					? { right: 8, top: (flowed(chart).rows + 0.5) * NAMES_APART }
					: { right: NAMES_WIDTH, top: 8 }
		};
	},
	afterDatasetsDraw: (chart) => {
		const { ctx, chartArea } = chart;
		const ends = chart.data.datasets
			.flatMap((set, i) => {
				const end = endOf(chart.getDatasetMeta(i).data);
				return end ? [{ set, x: end.x, y: end.y }] : [];
			})
			.sort((a, b) => a.y - b.y);
		// those that end at the edge stand one under the other, none below the drawing
		const isNarrow = chart.width < NARROW_WIDTH;
		if (isNarrow) {
			const { at } = flowed(chart);
			for (const end of ends) [end.x, end.y] = at[chart.data.datasets.indexOf(end.set)]!;
		}
		const beside = ends.filter(
			({ set, x }) => !isNarrow && (set.fill !== undefined || x > chartArea.right - NAMES_APART)
		);
		for (const [i, end] of beside.entries())
			[end.x, end.y] = [chartArea.right, Math.max(end.y, (beside[i - 1]?.y ?? -Infinity) + NAMES_APART)];
		for (const [i, end] of beside.entries())
			end.y = Math.min(end.y, chartArea.bottom - (beside.length - 1 - i) * NAMES_APART);
		ctx.save();
		ctx.textBaseline = 'middle';
		for (const { set, x, y } of ends) {
			const from = x + 6;
			const isArea = set.fill !== undefined;
			ctx.setLineDash((set.borderDash as number[] | undefined) ?? []);
			ctx.lineWidth = isArea ? 9 : (set.borderWidth as number);
			ctx.strokeStyle = String(isArea ? set.backgroundColor : set.borderColor);
			ctx.beginPath();
			ctx.moveTo(from, y);
			ctx.lineTo(from + SAMPLE_WIDTH, y);
			ctx.stroke();
			ctx.fillStyle = String(chart.options.color);
			ctx.font = `13px ${String(chart.options.font?.family)}`;
			ctx.fillText(set.label ?? '', from + SAMPLE_WIDTH + 5, y);
		}
		ctx.restore();
	}
};

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
	// what is less than the tolerance under what is wanted is the swing of the regulation, not a cold room
	const short = wanted.map((c, i) => (c - governed[i]! > COLD_TOLERANCE_K ? c : NaN));
	return (ink) => {
		const datasets: Lines = [
			line(proof.governs === 'floor' ? 'floor' : 'room', degrees(governed), ink.ink, 2.2)
		];
		if (proof.governs === 'floor')
			datasets.push({ ...line('room air', degrees(air), ink.ink, 1), borderDash: [1, 2] });
		if (!isSwitch)
			datasets.push(
				{
					...line('too cold', degrees(short), 'transparent', 0),
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
					'timed off',
					points(may).map((p) => ({ x: p.x, y: p.y === 1 ? NaN : 100 })),
					'transparent',
					0
				),
				yAxisID: 'heat',
				backgroundColor: `${ink.rule}aa`,
				stepped: true,
				fill: 'start'
			});
		datasets.push({
			...line(
				'heating, 0–100 %',
				points(heating).map((p) => ({ x: p.x, y: p.y * 100 })),
				ink.held,
				0.8
			),
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
						display: false
					}
				},
				plugins: {
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
				line('warm-up', reached, ink.ink, 2.4),
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
			}
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
			}
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
			}
		}
	});
}
