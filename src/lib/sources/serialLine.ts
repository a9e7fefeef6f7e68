/** The part of the browser's serial interface that is used; it is not in the standard library's types yet. */
interface SerialPortLike {
	open(options: { baudRate: number }): Promise<void>;
	close(): Promise<void>;
	readable: ReadableStream<Uint8Array> | null;
}
interface SerialLike {
	requestPort(): Promise<SerialPortLike>;
}

const serialOf = () => (navigator as unknown as { serial?: SerialLike }).serial;
/** Whether this browser can open serial lines: those of phones cannot. */
export const opensSerial = (): boolean => serialOf() !== undefined;
export const NO_SERIAL = 'This browser opens no serial lines. Record the line with another program and bring the file.';

/** Usual speeds of the lines of receivers, loggers and flight controllers, baud. */
export const BAUDS = ['9600', '57600', '115200', '230400'] as const;

/**
 * Opens a serial line that the pilot chooses and hands on its text as it comes, one byte one character. Gives what closes
 * it. `lost` says why nothing more will come.
 * @throws Error with words for the pilot where the browser has none, none was chosen, or it did not open.
 */
export async function openSerial(
	baud: number,
	take: (text: string) => void,
	lost: (why: string) => void,
): Promise<() => Promise<void>> {
	const serial = serialOf();
	if (!serial) throw new Error(NO_SERIAL);
	const port = await serial.requestPort().catch(() => {
		throw new Error('No line was chosen.');
	});
	await port.open({ baudRate: baud }).catch((error: unknown) => {
		throw new Error(`The line did not open: ${error instanceof Error ? error.message : String(error)}`);
	});
	const reader = port.readable?.getReader();
	// Receivers do not write UTF-8.
	const decoder = new TextDecoder('latin1');
	let stopped = false;
	const reading = (async () => {
		for (;;) {
			const chunk = await reader?.read();
			if (!chunk || chunk.done) break;
			take(decoder.decode(chunk.value, { stream: true }));
		}
		if (!stopped) lost('The line ended. What was recorded until then is kept.');
	})().catch(() => {
		if (!stopped) lost('The line was lost. What was recorded until then is kept.');
	});
	return async () => {
		stopped = true;
		await reader?.cancel().catch(() => undefined); // a lost line is closed already
		await reading;
		reader?.releaseLock();
		await port.close().catch(() => undefined); // likewise
	};
}
