/** A picture as rows of red, green, blue bytes. */
export interface Picture {
	width: number;
	height: number;
	/** 3 bytes a pixel, row by row. */
	rgb: Uint8Array | Uint8ClampedArray;
	/** Size of the picture as posted: a line is given in its pixels. */
	fullWidth: number;
	fullHeight: number;
}

export interface Grey {
	width: number;
	height: number;
	/** Luma 0..255 (Rec. 601), row by row. */
	values: Float32Array;
}

/** Luma of a rectangle of a picture. */
export function greyOf({ width, rgb }: Picture, x0: number, y0: number, w: number, h: number): Grey {
	const values = new Float32Array(w * h);
	for (let y = 0; y < h; y++)
		for (let x = 0; x < w; x++) {
			const k = 3 * ((y0 + y) * width + x0 + x);
			values[y * w + x] = 0.299 * rgb[k] + 0.587 * rgb[k + 1] + 0.114 * rgb[k + 2];
		}
	return { width: w, height: h, values };
}
