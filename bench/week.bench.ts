/**
 * The Week view through Chromium: bytes of its first load over the wire (compressed), and frames and
 * long tasks while a riser is dragged, read from Chromium's own trace.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { ensureBuild, loadDemo, startServer } from '../scripts/setup.mjs';

ensureBuild();
const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-bench-'));
const server = await startServer({ data: folder, port: 4790, quiet: true });
await loadDemo(server.url);
const { jobs } = (await (await fetch(`${server.url}/api/v1/jobs`)).json()) as {
	jobs: { id: string; name: string }[];
};
const tallow = jobs.find((job) => job.name.startsWith('Tallow'))!;
const read = (await (await fetch(`${server.url}/api/v1/jobs/${tallow.id}`)).json()) as {
	site: object;
	controls: unknown[];
	zones: { name: string; on: { control: number } }[];
};
const sixty = (await (
	await fetch(`${server.url}/api/v1/jobs`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({
			...read,
			controls: Array.from({ length: 60 }, (_, i) => read.controls[read.zones[i % 5]!.on.control]),
			zones: Array.from({ length: 60 }, (_, i) => ({
				...read.zones[i % 5]!,
				on: { control: i, channel: 0 },
				name: `Room ${i + 1}`
			}))
		})
	})
).json()) as { id: string };

const browser = await chromium.launch({
	executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking'
	]
});
/** The Week of a site's first zone. */
async function weekOf(siteId: string): Promise<string> {
	const board = await browser.newPage({ viewport: { width: 1280, height: 800 } });
	await board.goto(`${server.url}/sites/${siteId}`);
	const href = await board.locator('tbody th a').first().getAttribute('href');
	await board.close();
	return `${server.url}${href}`;
}

const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const page = await context.newPage();
const bytes = { script: 0, stylesheet: 0, font: 0, other: 0 };
const foreign: string[] = [];
let counted = true;
page.on('requestfinished', async (request) => {
	if (!counted) return;
	if (!request.url().startsWith(server.url)) foreign.push(request.url());
	const sizes = await request.sizes();
	const kind = request.resourceType() as keyof typeof bytes;
	bytes[kind in bytes ? kind : 'other'] += sizes.responseBodySize;
});
await page.goto(await weekOf(tallow.id), { waitUntil: 'networkidle' });
counted = false;
const kB = (n: number) => (n / 1000).toFixed(0);
console.log(
	`first load of Week: ${kB(bytes.script)} kB of JavaScript (${(bytes.script / 250_000).toFixed(2)} of the 250 kB allowed), ${kB(bytes.stylesheet)} kB of CSS (${(bytes.stylesheet / 60_000).toFixed(2)} of 60 kB), ${kB(bytes.font)} kB of fonts, ${foreign.length} requests to other origins`
);

interface TraceEvent {
	name: string;
	ts: number;
	dur?: number;
	pid: number;
	tid: number;
	args?: { name?: string };
}

const CATEGORIES = [
	'devtools.timeline',
	'devtools.timeline.frame',
	'disabled-by-default-devtools.timeline',
	'toplevel'
];

const drawn = (events: readonly TraceEvent[]) => events.filter((e) => e.name === 'Commit').length;

/** What a traced stretch cost: the work of the main thread in each frame and its tasks in ms, and when frames were committed. */
function costOf(trace: string) {
	const { traceEvents } = JSON.parse(readFileSync(trace, 'utf8')) as { traceEvents: TraceEvent[] };
	// of several pages the one that was drawn
	const onMain = traceEvents
		.filter((e) => e.name === 'thread_name' && e.args?.name === 'CrRendererMain')
		.map((main) => traceEvents.filter((e) => e.pid === main.pid && e.tid === main.tid))
		.reduce((a, b) => (drawn(b) > drawn(a) ? b : a));
	const tasks = onMain.filter((e) => e.name === 'RunTask' && e.dur);
	const longest = Math.max(...tasks.map((task) => task.dur! / 1000));
	const commits = onMain
		.filter((e) => e.name === 'Commit')
		.map((e) => e.ts)
		.sort((a, b) => a - b);
	/** Milliseconds the main thread worked between one frame's commit and the next. */
	const frames = commits.slice(1).map((end, i) => {
		const start = commits[i]!;
		return tasks
			.filter((task) => task.ts >= start && task.ts < end)
			.reduce((sum, task) => sum + task.dur! / 1000, 0);
	});
	/** Milliseconds a frame of each kind of work on the main thread, the longest first. */
	const byKind: Record<string, number> = {};
	for (const event of onMain)
		if (event.dur && KINDS.includes(event.name))
			byKind[event.name] = (byKind[event.name] ?? 0) + event.dur / 1000 / Math.max(1, commits.length);
	return { tasks, frames, commits, longest, byKind };
}
/** What the trace calls scripts, styles, layout and drawing. */
const KINDS = [
	'EventDispatch',
	'FireAnimationFrame',
	'UpdateLayoutTree',
	'Layout',
	'PrePaint',
	'Paint',
	'Layerize',
	'Commit',
	'TimerFire',
	'RunMicrotasks',
	'HitTest',
	'HandlePostMessage',
	'MinorGC'
];
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** What a frame costs where next to nothing is drawn: one line of a bare page follows the mouse. What is measured beside it is a multiple of this. */
async function bareFrame(): Promise<number> {
	const bare = await context.newPage();
	await bare.setContent(
		`<svg width="1000" height="500"><path id="line" fill="none" stroke="black"/></svg><script>addEventListener('pointermove', (event) => line.setAttribute('d', 'M0 50H' + event.clientX + 'V20H1000'))</script>`
	);
	const trace = path.join(folder, 'bare.json');
	await browser.startTracing(bare, { path: trace, categories: CATEGORIES });
	const began = Date.now();
	for (let i = 0; Date.now() - began < 3000; i++) await bare.mouse.move(400 + Math.sin(i / 9) * 70, 50);
	await browser.stopTracing();
	await bare.close();
	return middle(costOf(trace).frames);
}

/** Drags Thursday's first riser of the page on show and says what it cost. */
async function drag(zones: number): Promise<void> {
	const riser = page.getByRole('slider', { name: 'Thursday, change 1', exact: true });
	const box = (await riser.boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	const trace = path.join(folder, `trace-${zones}.json`);
	await browser.startTracing(page, {
		path: trace,
		categories: CATEGORIES
	});
	await page.mouse.move(x, y);
	await page.mouse.down();
	const dragStart = Date.now();
	for (let i = 0; Date.now() - dragStart < 4000; i++) {
		await page.mouse.move(x + Math.sin(i / 9) * 70, y);
	}
	await page.mouse.up();
	await browser.stopTracing();

	const { tasks, frames, commits, longest, byKind } = costOf(trace);
	const gaps = commits.slice(1).map((ts, i) => (ts - commits[i]!) / 1000);
	console.log(
		`dragging a riser for 4 s with ${zones} zones in the list: ${frames.length} frames, median ${middle(frames).toFixed(1)} ms of work each (8 asked; ${(middle(frames) / bareMs).toFixed(1)} × a bare page with one line), a frame every ${middle(gaps).toFixed(1)} ms; longest task ${longest.toFixed(1)} ms, ${tasks.filter((task) => task.dur! > 50_000).length} over 50 ms`
	);
	const kinds = Object.entries(byKind).sort((a, b) => b[1] - a[1]);
	console.log(`  in ms a frame: ${kinds.map(([kind, ms]) => `${kind} ${ms.toFixed(2)}`).join(', ')}`);
}

const bareMs = await bareFrame();
await drag(5);
await page.goto(await weekOf(sixty.id), { waitUntil: 'networkidle' });
await drag(60);

/** From one view of a zone to another: from the press until the other's heading is drawn, on the page's own clock. */
const views = ['Proof', 'Away', 'Key in', 'Read back', 'Clock', 'Room', 'Any moment', 'Week'];
const tabs = page.getByRole('navigation', { name: 'Steps of the work' });
/** In the page, as text: what builds this file adds helpers to functions that the page does not have. */
const watchHeading = `(() => {
	const heading = () => document.querySelector('main h1')?.innerText;
	const before = heading();
	window.viewTook = new Promise((done) =>
		addEventListener('pointerdown', () => {
			const pressed = performance.now();
			const look = () => {
				const now = heading();
				if (now !== undefined && now !== before) done(performance.now() - pressed);
				else requestAnimationFrame(look);
			};
			requestAnimationFrame(look);
		}, { capture: true, once: true })
	);
})()`;
const took: number[] = [];
for (let round = 0; round < 3; round++)
	for (const view of views) {
		await page.evaluate(watchHeading);
		await tabs.getByRole('link', { name: new RegExp(`^${view}`) }).click();
		const one = await page.evaluate<number>('viewTook');
		// the first round loads the views' own code
		if (round > 0) took.push(one);
	}
took.sort((a, b) => a - b);
console.log(
	`from view to view of a zone (${took.length} times): median ${took[took.length >> 1]!.toFixed(0)} ms (${(took[took.length >> 1]! / 150).toFixed(2)} of 150 ms), longest ${took.at(-1)!.toFixed(0)} ms`
);

await browser.close();
await server.stop();
rmSync(folder, { recursive: true, force: true });
