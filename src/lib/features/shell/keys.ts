/** True where a key belongs to the field or dialog that has the focus, not to the page. */
export function inField(event: KeyboardEvent): boolean {
	const target = event.target;
	if (!(target instanceof HTMLElement)) return false;
	return target.closest('input, textarea, select, [contenteditable], dialog, [role="dialog"]') !== null;
}
