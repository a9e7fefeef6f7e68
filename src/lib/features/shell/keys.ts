/** What takes keys itself; so do a box to tick and a list of choices. */
const FIELDS =
	'input, textarea, select, [contenteditable], [role="checkbox"], [aria-haspopup="listbox"], [role="listbox"], dialog, [role="dialog"]';

/** True where a key belongs to the field or dialog that has the focus, not to the page. */
export function inField(event: KeyboardEvent): boolean {
	const target = event.target;
	if (!(target instanceof HTMLElement)) return false;
	return target.closest(FIELDS) !== null;
}

/** True where a key belongs to the page: nothing has the focus but the headline, which has it where one arrives. */
export const ofPage = ({ target }: Event): boolean =>
	target === document.body || (target instanceof HTMLElement && target.matches('h1'));
