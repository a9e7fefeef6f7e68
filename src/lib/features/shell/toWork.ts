/**
 * The headline takes the focus: it is said, and the next step of the keys is within the work. Beside a session's line lies the work; elsewhere
 * it is the page. `seen` brings it into view too, where what it says changed while one looked further down.
 */
export function toWork(seen = false): void {
	const work = document.getElementById('work') ?? document.getElementById('main');
	const headline = work?.querySelector('h1') ?? work;
	headline?.setAttribute('tabindex', '-1');
	headline?.focus({ preventScroll: !seen });
}
