import { poolLimits } from './limits';

/** A request that cannot be answered: HTTP status, code, and the path of what is wrong. */
export class HttpError extends Error {
	constructor(
		readonly status: number,
		readonly code: string,
		readonly path: string,
		message: string,
		/** Seconds after which it may be tried again. */
		readonly retryAfterS: number | null = null,
	) {
		super(message);
	}
}

/** The body of every fault. */
export const faultBody = (code: string, path: string, message: string) => ({ error: { code, message, path } });

/** What is larger than is read: 413. */
export const tooLarge = (message: string) => new HttpError(413, 'too-large', 'body', message);

/** What is taken on another time: 503, with the seconds to wait. */
export const busy = (message: string) => new HttpError(503, 'busy', 'server', message, poolLimits.retryAfterS.value);
