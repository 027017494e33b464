import sharp from 'sharp';

/** The longest side kept, in pixels: enough to read a display and a terminal label. */
const LONGEST_PX = 1800;
/** The most pixels that are decoded at all. */
const MOST_PIXELS = 60_000_000;

sharp.concurrency(1);
sharp.cache(false);
// whatever the bytes say later: nothing but these three is ever decoded
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
	operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer']
});

export interface Pixels {
	readonly jpeg: Uint8Array<ArrayBuffer>;
	readonly width: number;
	readonly height: number;
}

/** A picture's pixels, turned upright, at most {@link LONGEST_PX} wide or high, and nothing else of the file: no position, no device, no date. Null where it is none. */
export async function onlyPixels(file: Uint8Array): Promise<Pixels | null> {
	try {
		const { data, info } = await sharp(file, {
			limitInputPixels: MOST_PIXELS,
			failOn: 'error',
			animated: false
		})
			.rotate()
			.resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
			.flatten({ background: '#ffffff' })
			.jpeg({ quality: 80 })
			.toBuffer({ resolveWithObject: true });
		return { jpeg: new Uint8Array(data), width: info.width, height: info.height };
	} catch {
		return null;
	}
}
