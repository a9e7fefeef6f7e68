import { InputError } from '$lib/core/finding/inputError';
import { pictureLimits as limits } from '$lib/core/payload/limits';
import type { Picture } from '$lib/core/payload/picture';

/**
 * A JPEG or PNG as plain pixels, at most so wide, turned as its EXIF orientation says; by the browser's own decoder.
 * @throws InputError naming the file where it is no picture or too large.
 */
export async function decodePicture(file: File, mostWide: number): Promise<Picture> {
	const whole = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
		throw new InputError('unreadable-picture', 'file', `${file.name} is not a whole JPEG or PNG picture.`);
	});
	const { width: fullWidth, height: fullHeight } = whole;
	if (fullWidth * fullHeight > limits.mostPixels.value) {
		whole.close();
		throw new InputError('too-large', 'file', `${file.name} has more than 50 megapixels. Make it smaller first.`);
	}
	const k = Math.min(1, mostWide / fullWidth);
	const [width, height] = [Math.max(1, Math.round(fullWidth * k)), Math.max(1, Math.round(fullHeight * k))];
	const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
	if (!context) throw new Error('This browser draws no pictures in the background.');
	context.imageSmoothingQuality = 'high';
	context.fillStyle = '#808080';
	context.fillRect(0, 0, width, height);
	context.drawImage(whole, 0, 0, width, height);
	whole.close();
	const { data } = context.getImageData(0, 0, width, height);
	const rgb = new Uint8ClampedArray(3 * width * height);
	for (let i = 0; i < width * height; i++) {
		rgb[3 * i] = data[4 * i];
		rgb[3 * i + 1] = data[4 * i + 1];
		rgb[3 * i + 2] = data[4 * i + 2];
	}
	return { width, height, rgb, fullWidth, fullHeight };
}
