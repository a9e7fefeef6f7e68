/** A picture of a film: grey values 0 to 255, row by row, and the moment that it shows, seconds of the film. */
export interface Frame {
	grey: Uint8Array;
	width: number;
	height: number;
	tS: number;
}

/** A picture at work: as a frame, with fractions. */
export interface Image {
	data: Float32Array;
	width: number;
	height: number;
}

export const blank = (width: number, height: number): Image => ({
	data: new Float32Array(width * height),
	width,
	height,
});

/** Blurred by 1-2-1 both ways; rims repeat. `spare` and `out` are as large as the picture. */
export function blurInto({ grey, width: w, height: h }: Frame, spare: Float32Array, out: Float32Array): void {
	for (let y = 0; y < h; y++) {
		const row = y * w;
		spare[row] = (3 * grey[row] + grey[row + 1]) / 4;
		for (let x = 1; x < w - 1; x++) spare[row + x] = (grey[row + x - 1] + 2 * grey[row + x] + grey[row + x + 1]) / 4;
		spare[row + w - 1] = (3 * grey[row + w - 1] + grey[row + w - 2]) / 4;
	}
	for (let y = 0; y < h; y++) {
		const [above, row, below] = [Math.max(0, y - 1) * w, y * w, Math.min(h - 1, y + 1) * w];
		for (let x = 0; x < w; x++) out[row + x] = (spare[above + x] + 2 * spare[row + x] + spare[below + x]) / 4;
	}
}

/** Between four pixels; the rim holds beyond it. */
export function bilinear({ data, width, height }: Image, x: number, y: number): number {
	const cx = Math.max(0, Math.min(width - 1.001, x));
	const cy = Math.max(0, Math.min(height - 1.001, y));
	const [x0, y0] = [Math.floor(cx), Math.floor(cy)];
	const [fx, fy] = [cx - x0, cy - y0];
	const at = y0 * width + x0;
	const above = data[at] + fx * (data[at + 1] - data[at]);
	const below = data[at + width] + fx * (data[at + width + 1] - data[at + width]);
	return above + fy * (below - above);
}

/** Grey of red, green, blue and alpha bytes, by the weights of BT.601. */
export function greyOf(rgba: Uint8ClampedArray | Uint8Array, width: number, height: number): Uint8Array {
	const grey = new Uint8Array(width * height);
	for (let i = 0, k = 0; i < grey.length; i++, k += 4)
		grey[i] = (77 * rgba[k] + 150 * rgba[k + 1] + 29 * rgba[k + 2] + 128) >> 8;
	return grey;
}
