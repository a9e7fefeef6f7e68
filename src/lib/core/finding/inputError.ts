/** Input that cannot be computed with. `path` names the field (`mag.x.5`) or the line (`line.12`); the message is for the pilot. */
export class InputError extends Error {
	constructor(
		readonly code: string,
		readonly path: string,
		message: string,
	) {
		super(message);
		this.name = 'InputError';
	}
}
