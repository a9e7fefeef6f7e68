import sharp from 'sharp';
import { InputError } from '../core/finding/inputError';
import { pictureLimits as limits } from '../core/payload/limits';
import type { Picture } from '../core/payload/picture';
import { tooLarge } from './fault';

const corrupt = () =>
	new InputError('unreadable-picture', 'body', 'The picture cannot be read: it is not a whole JPEG or PNG.');

/**
 * A JPEG or PNG as plain pixels, at most so wide, turned as its EXIF orientation says.
 * @throws InputError where it is no whole picture; HttpError 413 where it has too many pixels.
 */
export async function decodePicture(bytes: Uint8Array, mostWide: number): Promise<Picture> {
	if (bytes.length === 0) throw new InputError('empty', 'body', 'The body is empty: send a JPEG or PNG picture.');
	const decode = () => sharp(bytes, { limitInputPixels: false, failOn: 'error' });
	const meta = await decode()
		.metadata()
		.catch(() => null);
	if (!meta?.width || !meta.height || !['jpeg', 'png'].includes(meta.format ?? '')) throw corrupt();
	if (meta.width * meta.height > limits.mostPixels.value) throw tooLarge('The picture has more than 50 megapixels.');
	const turned = (meta.orientation ?? 1) >= 5;
	const [fullWidth, fullHeight] = turned ? [meta.height, meta.width] : [meta.width, meta.height];
	const { data, info } = await decode()
		.rotate()
		.flatten({ background: '#808080' })
		.toColourspace('srgb')
		.removeAlpha()
		.resize({ width: Math.min(mostWide, fullWidth), fit: 'inside', withoutEnlargement: true })
		.raw()
		.toBuffer({ resolveWithObject: true })
		.catch(() => {
			throw corrupt();
		});
	if (info.channels !== 3) throw corrupt();
	return { width: info.width, height: info.height, rgb: data, fullWidth, fullHeight };
}
