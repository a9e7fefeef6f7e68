import sharp from 'sharp';
import { InputError } from '$lib/core/finding/inputError';
import { findHorizon } from '$lib/core/payload/horizon';
import { answer, notAllowed, readBytes, requireType, tooLarge } from '../../respond';
import type { RequestHandler } from './$types';

const MAX_PIXELS = 50_000_000;
const WORKING_WIDTH = 640;

const corrupt = () =>
	new InputError('unreadable-picture', 'body', 'The picture cannot be read: it is not a whole JPEG or PNG.');

export const POST: RequestHandler = ({ request }) =>
	answer(async () => {
		requireType(request, 'image/jpeg', 'image/png');
		const bytes = await readBytes(request);
		if (bytes.length === 0) throw new InputError('empty', 'body', 'The body is empty: send a JPEG or PNG picture.');
		const decode = () => sharp(bytes, { limitInputPixels: false, failOn: 'error' });
		const meta = await decode()
			.metadata()
			.catch(() => null);
		if (!meta?.width || !meta.height || !['jpeg', 'png'].includes(meta.format ?? '')) throw corrupt();
		if (meta.width * meta.height > MAX_PIXELS) throw tooLarge('The picture has more than 50 megapixels.');
		const turned = (meta.orientation ?? 1) >= 5;
		const [fullWidth, fullHeight] = turned ? [meta.height, meta.width] : [meta.width, meta.height];
		const { data, info } = await decode()
			.rotate()
			.flatten({ background: '#808080' })
			.toColourspace('srgb')
			.removeAlpha()
			.resize({ width: Math.min(WORKING_WIDTH, fullWidth), fit: 'inside', withoutEnlargement: true })
			.raw()
			.toBuffer({ resolveWithObject: true })
			.catch(() => {
				throw corrupt();
			});
		if (info.channels !== 3) throw corrupt();
		return findHorizon({ width: info.width, height: info.height, rgb: data, fullWidth, fullHeight });
	});

export const fallback = notAllowed('POST');
