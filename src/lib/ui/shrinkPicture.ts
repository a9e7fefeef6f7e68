import { sha256Hex } from '$lib/core/record/chain';

/** A picture as it is kept: small, and without what a camera writes beside it. */
export interface SmallPicture {
	/** The JPEG file, base64. */
	jpeg: string;
	widthPx: number;
	heightPx: number;
	/** SHA-256 of the file's bytes. */
	sha256: string;
}

const LONGEST_PX = 1280;
const QUALITY = 0.8;
/** Bytes at a time into text: arguments of a call are not endless. */
const STEP = 0x8000;

function base64(bytes: Uint8Array): string {
	let text = '';
	for (let at = 0; at < bytes.length; at += STEP) text += String.fromCharCode(...bytes.subarray(at, at + STEP));
	return btoa(text);
}

/**
 * A photo of any size as a JPEG whose longer side is at most 1280 px, turned as it was held. Drawn again, it holds nothing of where and
 * by what it was taken.
 * @throws Error where the file is no picture that this browser reads.
 */
export async function shrinkPicture(file: File): Promise<SmallPicture> {
	const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
		throw new Error(`${file.name} is not a picture that the browser can read: take a JPEG or a PNG.`);
	});
	try {
		const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
		const canvas = document.createElement('canvas');
		canvas.width = Math.max(1, Math.round(picture.width * scale));
		canvas.height = Math.max(1, Math.round(picture.height * scale));
		canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
		const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
		if (!blob) throw new Error('The picture could not be made small: is the device out of memory?');
		const bytes = new Uint8Array(await blob.arrayBuffer());
		return { jpeg: base64(bytes), widthPx: canvas.width, heightPx: canvas.height, sha256: sha256Hex(bytes) };
	} finally {
		picture.close();
	}
}
