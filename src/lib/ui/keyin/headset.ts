/** A second of silence, as a sound file: a headset's keys reach a page only while it plays something. */
function silence(): Blob {
	const [rate, seconds] = [8000, 1];
	const view = new DataView(new ArrayBuffer(44 + rate * seconds));
	const text = (at: number, words: string) =>
		[...words].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
	text(0, 'RIFF');
	view.setUint32(4, 36 + rate * seconds, true);
	text(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, 1, true);
	view.setUint16(22, 1, true);
	view.setUint32(24, rate, true);
	view.setUint32(28, rate, true);
	view.setUint16(32, 1, true);
	view.setUint16(34, 8, true);
	text(36, 'data');
	view.setUint32(40, rate * seconds, true);
	for (let i = 0; i < rate * seconds; i++) view.setUint8(44 + i, 128);
	return new Blob([view], { type: 'audio/wav' });
}

/** The keys of a headset, where the browser hands them on: its one key or forward goes on, back goes back. Returns what ends it. */
export function hearHeadset(onnext: () => void, onback: () => void): () => void {
	const session = 'mediaSession' in navigator ? navigator.mediaSession : null;
	if (!session) return () => undefined;
	const url = URL.createObjectURL(silence());
	const sound = new Audio(url);
	sound.loop = true;
	// one that does not let it play hands on no keys: everything else works
	const play = () => void sound.play().catch(() => undefined);
	const keys = { play: onnext, pause: onnext, nexttrack: onnext, previoustrack: onback } as const;
	play();
	for (const [key, act] of Object.entries(keys))
		session.setActionHandler(key as keyof typeof keys, () => {
			act();
			play();
		});
	return () => {
		for (const key of Object.keys(keys)) session.setActionHandler(key as keyof typeof keys, null);
		sound.pause();
		URL.revokeObjectURL(url);
	};
}
