export interface GamepadEvents {
	/** Every frame of the screen: seconds since it was opened, axes −1 to 1, and its buttons. */
	read(atS: number, axes: readonly number[], buttons: readonly GamepadButton[]): void;
	/** No radio shows itself yet, for so long. */
	waiting(forMs: number): void;
	/** It showed itself and is gone; nothing more will come. */
	gone(why: string): void;
}

const MOST_CHANNELS = 8;

/**
 * Follows the first game controller with axes, which is how a radio shows itself. Gives what ends it.
 * @throws Error with words for the pilot where the browser reads none.
 */
export function openGamepad(events: GamepadEvents): () => void {
	if (!('getGamepads' in navigator)) throw new Error('This browser reads no game controllers.');
	const from = performance.now();
	let seen = false;
	let frame = 0;
	const poll = () => {
		frame = requestAnimationFrame(poll);
		const pad = navigator.getGamepads().find((g) => g !== null && g.axes.length > 0);
		const forMs = performance.now() - from;
		if (pad) {
			seen = true;
			events.read(forMs / 1000, pad.axes.slice(0, MOST_CHANNELS), pad.buttons);
		} else if (seen) {
			cancelAnimationFrame(frame);
			events.gone('The radio is gone. What was recorded until then is kept.');
		} else events.waiting(forMs);
	};
	frame = requestAnimationFrame(poll);
	return () => cancelAnimationFrame(frame);
}
