import { HttpError } from './fault';
import { bodyLimits } from './limits';

const QUOTE = 34;
const BACKSLASH = 92;
const [OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [91, 93, 123, 125];

/** Where a text that begins at `from` ends: its closing quote, or the end of the bytes. */
function textEnd(bytes: Uint8Array, from: number): number {
	let at = from + 1;
	while (at < bytes.length && bytes[at] !== QUOTE) at += bytes[at] === BACKSLASH ? 2 : 1;
	return at;
}

const refuse = (message: string): never => {
	throw new HttpError(400, 'too-much-structure', 'body', message);
};

/**
 * Looks over JSON before it is parsed: a body within its size may still hold millions of brackets or texts, which no request has
 * and which take a parser minutes. Numbers are not counted: a log is made of them.
 * @throws HttpError 400 where it is nested too deep, or holds too many lists, objects and texts.
 */
export function refuseBulk(bytes: Uint8Array): void {
	const [mostDeep, mostParts] = [bodyLimits.depth.value, bodyLimits.parts.value];
	let depth = 0;
	let parts = 0;
	for (let at = 0; at < bytes.length; at++) {
		const byte = bytes[at];
		if (byte === QUOTE) at = textEnd(bytes, at);
		else if (byte === OPEN_LIST || byte === OPEN_OBJECT) depth++;
		else {
			if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth--;
			continue;
		}
		if (depth > mostDeep) refuse(`The body is nested deeper than ${mostDeep} levels.`);
		if (++parts > mostParts)
			refuse(`The body holds more than ${mostParts} lists, objects and texts. Send numbers in columns.`);
	}
}
