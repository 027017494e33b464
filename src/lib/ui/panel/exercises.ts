import { fitZone } from '$core/fit';
import { readExerciseFile, readText, writeExerciseFile, type Exercise } from '$core/formats';
import { boxCard, type KeyCard } from '$core/keying';
import type { Read } from '$core/schema';

/** Saves an exercise as a file on this device. */
export function saveExercise(exercise: Exercise): void {
	const link = document.createElement('a');
	link.href = URL.createObjectURL(new Blob([writeExerciseFile(exercise)], { type: 'application/json' }));
	link.download = 'exercise.json';
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

/** An exercise with the card that it is keyed by. */
export interface OpenExercise extends Exercise {
	readonly card: KeyCard;
}

/** Opens an exercise's file; refused in a sentence where it is none. */
export async function openExercise(file: File): Promise<Read<OpenExercise>> {
	const text = readText(new Uint8Array(await file.arrayBuffer()));
	if (!text.ok) return text;
	const read = readExerciseFile(text.value);
	if (!read.ok) return read;
	const { profile, zones } = read.value;
	const card = boxCard(
		zones.map((zone) => ({ zone, fit: fitZone(zone, profile) })),
		profile
	);
	return { ok: true, value: { ...read.value, card } };
}
