import Papa from 'papaparse';
import { InputError } from '$lib/core/finding/inputError';
import type { Picture } from '$lib/core/payload/picture';
import type { Axes } from '$lib/rig/inertial';
import type { Input } from './instrument';
import type { Taken } from './instrument';

/** Columns of the simulated fleet as a CSV file, with units in its header. */
export function csvFile(name: string, columns: Record<string, ArrayLike<number>>): File {
	const names = Object.keys(columns);
	const n = Math.max(...names.map((key) => columns[key].length));
	const data = Array.from({ length: n }, (_, i) => names.map((key) => Number(columns[key][i].toFixed(6))));
	return new File([Papa.unparse({ fields: names, data }, { newline: '\n' })], name, { type: 'text/csv' });
}

/** Lines as a text file. */
export const textFile = (name: string, lines: readonly string[]): File =>
	new File([lines.join('\r\n')], name, { type: 'text/plain' });

/** Samples, −1 to 1, as an uncompressed recording of one channel (WAV, 16 bits). */
export function wavFile(name: string, samples: ArrayLike<number>, rateHz: number): File {
	const [header, bytes] = [44, 2 * samples.length];
	const view = new DataView(new ArrayBuffer(header + bytes));
	const word = (at: number, text: string) =>
		[...text].forEach((letter, k) => view.setUint8(at + k, letter.charCodeAt(0)));
	word(0, 'RIFF');
	view.setUint32(4, header - 8 + bytes, true);
	word(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, 1, true);
	view.setUint16(22, 1, true);
	view.setUint32(24, rateHz, true);
	view.setUint32(28, 2 * rateHz, true);
	view.setUint16(32, 2, true);
	view.setUint16(34, 16, true);
	word(36, 'data');
	view.setUint32(40, bytes, true);
	for (let i = 0; i < samples.length; i++) view.setInt16(header + 2 * i, Math.round(32_767 * samples[i]), true);
	return new File([view], name, { type: 'audio/wav' });
}

/** A drawn picture as a PNG file. */
export async function pictureFile(name: string, { width, height, rgb }: Picture): Promise<File> {
	const canvas = document.createElement('canvas');
	canvas.width = width;
	canvas.height = height;
	const context = canvas.getContext('2d');
	if (!context) throw new Error('This browser draws no pictures.');
	const image = context.createImageData(width, height);
	for (let i = 0; i < width * height; i++) {
		image.data.set(rgb.subarray(3 * i, 3 * i + 3), 4 * i);
		image.data[4 * i + 3] = 255;
	}
	context.putImageData(image, 0, 0);
	const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
	if (!blob) throw new Error('The picture could not be made.');
	return new File([blob], name, { type: 'image/png' });
}

const MOST_POINTS = 800;

/** Columns as points for a plot, thinned to what a screen can show. */
export function points(x: ArrayLike<number>, y: ArrayLike<number>): { x: number; y: number }[] {
	const step = Math.max(1, Math.ceil(x.length / MOST_POINTS));
	const out: { x: number; y: number }[] = [];
	for (let i = 0; i < x.length; i += step) out.push({ x: x[i], y: y[i] });
	return out;
}

/** Whether these columns were all chosen. */
export const hasColumns = (names: readonly string[]) => (choices: Record<string, { column: number }>) =>
	names.every((name) => (choices[name]?.column ?? -1) >= 0);

/** The columns that were read. @throws InputError where nothing was. */
export function requireColumns(input: Input): Taken {
	if (!input.taken) throw new InputError('no-file', 'file', 'Choose a log first.');
	return input.taken;
}

/** Time and three axes of a log, by the prefix of their names. */
export const series = (c: Taken, prefix: string) => ({
	t: c.t,
	x: c[`${prefix}x`],
	y: c[`${prefix}y`],
	z: c[`${prefix}z`],
});
/** An accelerometer log in m/s² as a CSV file. */
export const accelFile = (name: string, { t, x, y, z }: Axes) =>
	csvFile(name, { 't [s]': t, 'ax [m/s2]': x, 'ay [m/s2]': y, 'az [m/s2]': z });

/** A file that must be there. @throws InputError where nothing was chosen. */
export function fileOf(input: Input): File {
	if (!input.file) throw new InputError('no-file', 'file', 'Choose a file first.');
	return input.file;
}
