import type { Slip } from '../keying';

/** A slip of keying that the display shows, and what to key again, in a sentence. */
export function slipWords(slip: Slip): string {
	switch (slip.kind) {
		case 'wrong-unit':
			return `The control shows ${slip.wanted === 'C' ? '°F' : '°C'}: set its unit to °${slip.wanted} and key the week again.`;
		case 'swapped-days':
			return `${slip.section} and ${slip.other} are swapped: each holds the other's program.`;
		case 'other-day':
			return `${slip.section} holds ${slip.other}'s program: it was copied, or the copy was not corrected.`;
		case 'shifted-slots':
			return `${slip.section} runs one slot ${slip.late ? 'late: a slot was keyed twice' : 'early: a slot was passed over'}. The day is to be keyed again from there.`;
		case 'am-pm': {
			const each = slip.values.map(
				({ what, shown, planned }) => `${what} shows ${shown}, must show ${planned}`
			);
			return `${slip.section}: morning for afternoon: ${each.join('; ')}.`;
		}
		case 'swapped-periods':
			return `${slip.section}: ${slip.periods.join(' and ')} are swapped.`;
		case 'single':
			return `${slip.section === null ? '' : `${slip.section}, `}${slip.what}: shows ${slip.shown}, must show ${slip.planned}${slip.unit}.`;
	}
}
