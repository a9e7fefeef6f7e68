import { exportBackup, isZip, unpackBackup, unpackSession } from '$lib/core/record/archive';
import type { MergeItem } from '$lib/core/record/merge';
import { makePdf, type PdfDocument } from '$lib/core/record/pdf';
import type { Progress } from '$lib/instruments/instrument';
import { readText } from '$lib/instruments/readText';
import { makeDemo } from '$lib/rig/demo';
import type { Backup } from '$lib/schema/files';
import { applyImport, planImport, readBackup } from '$lib/store/backup';

/** A checked file as text: passing its rows to the page and back would block the page. */
interface CheckedImport {
	checked: Blob;
	items: MergeItem[];
}

interface ImportTask extends CheckedImport {
	options: { leaveChanged: boolean };
}

async function unpacked(file: File): Promise<Backup> {
	const bytes = new Uint8Array(await file.slice(0, 2).arrayBuffer());
	return isZip(bytes)
		? unpackBackup(new Uint8Array(await file.arrayBuffer()), file.name)
		: unpackSession(await readText(file), file.name);
}

// Written by `checkImport` itself, from what its schema had read.
const backupIn = async (checked: Blob): Promise<Backup> => JSON.parse(await checked.text()) as Backup;

/** What files of the record are read and written by, by name, and the demo, which comes in like a file. */
export const filing = {
	/** A backup or a session, checked by every rule, and what it would bring; nothing is brought in yet. */
	checkImport: async (file: File): Promise<CheckedImport> => {
		const checked = await unpacked(file);
		return { checked: new Blob([JSON.stringify(checked)]), items: await planImport(checked) };
	},
	/** What a checked file would bring now. */
	planImport: async (checked: Blob): Promise<MergeItem[]> => planImport(await backupIn(checked)),
	/** Brings in what was chosen of a checked file, all or nothing: also where this is stopped half way. */
	applyImport: async ({ checked, items, options }: ImportTask, progress?: Progress) =>
		applyImport(await backupIn(checked), items, options, progress),
	/** Everything on this device, as a file of a moment. */
	exportBackup: async (at: string) => exportBackup(await readBackup(), at),
	makeDemo: (now: string) => makeDemo(new Date(now)),
	makePdf: (document: PdfDocument) => makePdf(document),
};
