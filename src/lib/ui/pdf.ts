import { lostIn, type PdfDocument } from '$lib/core/record/pdf';
import { call } from '$lib/workers/core';
import { download } from './download';
import { done, failed } from './notify';

/** Whether this device can hand a file to another application. */
export const canShare = (): boolean => {
	const probe = new File([''], 'a.pdf', { type: 'application/pdf' });
	return typeof navigator.canShare === 'function' && navigator.canShare({ files: [probe] });
};

/** Makes a PDF and saves it, or hands it to another application; says so, or why not. */
export async function givePdf(document: PdfDocument, name: string, share: boolean): Promise<void> {
	try {
		const blob = await call('makePdf', document);
		if (share) {
			await navigator.share({ files: [new File([blob], name, { type: 'application/pdf' })], title: document.title });
			return;
		}
		download(name, new Uint8Array(await blob.arrayBuffer()), 'application/pdf');
		const lost = lostIn(document);
		done(
			lost ? `Saved, but a PDF’s own fonts lack ${lost}: these became “?”. Print it to have them` : 'The PDF is saved',
		);
	} catch (error) {
		// The pilot closed the device's own dialog.
		if (!(error instanceof DOMException && error.name === 'AbortError')) failed(error);
	}
}
