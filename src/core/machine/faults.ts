import { keysOf, strokesOf, type Act, type Rule, type StateId } from '../control';
import { statesOf, touched } from './states';
import type { Operable } from './operable';

/** What no control's keys can be like. */
export type OperationFault =
	/** A key, or a position of a slide, that does nothing in any state. */
	| { readonly kind: 'dead-key'; readonly key: string; readonly position: string | null }
	/** A state that no key and no time leads out of. */
	| { readonly kind: 'no-way-to-rest'; readonly state: StateId }
	/** A field of a step, the last of a day's (`last`) or one before it, from which no key leads on. */
	| { readonly kind: 'no-way-on'; readonly state: StateId; readonly last: boolean }
	/** A state whose value is changed and that nothing takes, or stores with all else. */
	| { readonly kind: 'never-stored'; readonly state: StateId }
	/** What a hand does in a state, which an earlier rule of the same always does instead. */
	| { readonly kind: 'hidden'; readonly state: StateId; readonly by: Rule['by'] };

/** Whether one rule does all that a hand could mean by a later one. */
function hides(one: Rule, later: Rule): boolean {
	const isSame = strokesOf(one.by).join() === strokesOf(later.by).join();
	return isSame && (one.when === undefined || JSON.stringify(one.when) === JSON.stringify(later.when));
}

/** What no control can be like, by its states: keys that do nothing, states that nothing leads out of, rules that can never be meant. */
export function operationFaults(profile: Operable): OperationFault[] {
	const { of, rules } = statesOf(profile);
	const { panel } = profile;
	const code = panel.lock?.code;
	const hands = [...rules.values()].flatMap((byTouch) => [...byTouch.values()].flat().map(({ by }) => by));
	if (code) hands.push(code.take);
	const used = new Set([...hands.flatMap(keysOf), ...(code ? [code.up, code.down] : [])]);
	const put = new Set(hands.map(touched));
	const faults: OperationFault[] = panel.keys.flatMap(({ id, positions }): OperationFault[] =>
		positions.length > 0
			? positions
					.filter((to) => !put.has(touched({ do: 'set', key: id, to })))
					.map((position) => ({ kind: 'dead-key', key: id, position }))
			: used.has(id)
				? []
				: [{ kind: 'dead-key', key: id, position: null }]
	);
	// backwards from rest: whatever leads to a state that leads there
	const leads = new Set<StateId>(['rest']);
	for (let size = 0; size < leads.size;) {
		size = leads.size;
		for (const [id, { idle }] of of) {
			const next = [...rules.get(id)!.values()].flat().map(({ to }) => to);
			const isOut =
				(idle?.seconds != null && leads.has(idle.to)) ||
				next.some((to) => to !== undefined && leads.has(to)) ||
				id.startsWith('locked');
			if (isOut) leads.add(id);
		}
	}
	for (const id of of.keys()) if (!leads.has(id)) faults.push({ kind: 'no-way-to-rest', state: id });
	const all = new Map([...rules].map(([id, byTouch]) => [id, [...byTouch.values()].flat()]));
	const isStored = [...all.values()].flat().some((rule) => rule.do.some((act) => act.do === 'store'));
	for (const [id, list] of all) {
		const { field, idle } = of.get(id)!;
		const does = (acts: readonly Act[], what: string) => acts.some((act) => act.do === what);
		const begins = list.some((rule) => does(rule.do, 'begin'));
		const takes = [...list.map((rule) => rule.do), idle?.do ?? []].some((acts) => does(acts, 'take'));
		const changes = field !== null && list.some((rule) => does(rule.do, 'change'));
		if ((changes && !takes) || (begins && !isStored)) faults.push({ kind: 'never-stored', state: id });
		// in the order in which they stand only the last of a day's steps may have a way of its own
		const leads = (last: boolean) =>
			list.some(
				({ when, to, do: acts }) =>
					(does(acts, 'go') || (to !== undefined && to !== id)) && (when?.last?.step ?? last) === last
			);
		if (field?.of === 'day')
			for (const last of [false, true]) if (!leads(last)) faults.push({ kind: 'no-way-on', state: id, last });
	}
	for (const [id, byTouch] of rules) {
		const own = new Set(of.get(id)!.rules);
		for (const list of byTouch.values())
			for (const [i, rule] of list.entries())
				if (own.has(rule) && list.slice(0, i).some((one) => own.has(one) && hides(one, rule)))
					faults.push({ kind: 'hidden', state: id, by: rule.by });
	}
	return faults;
}
