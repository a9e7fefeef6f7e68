import { failed } from './notify';

/** The first field below an element whose text was refused; null where all are right. */
const firstRefused = (root: ParentNode): HTMLElement | null => root.querySelector<HTMLElement>('[aria-invalid="true"]');

/** Focuses the first refused field and says that nothing was kept; false where all fields are right. */
export function refusedIn(root: ParentNode | undefined): boolean {
	const field = root ? firstRefused(root) : null;
	if (!field) return false;
	const fold = field.closest('details');
	if (fold) fold.open = true;
	field.focus();
	const label = field.id ? document.querySelector(`label[for="${field.id}"]`)?.textContent?.trim() : '';
	failed(`${label ? `${label}: ` : ''}what was typed is refused, so nothing was kept. Put it right first.`);
	return true;
}

/** Attachment of a form: what it holds is not taken while one of its fields is refused. */
export function refuseInvalid(form: HTMLFormElement): () => void {
	const stop = (event: SubmitEvent) => {
		if (!refusedIn(form)) return;
		event.preventDefault();
		event.stopImmediatePropagation();
	};
	form.addEventListener('submit', stop, { capture: true });
	return () => form.removeEventListener('submit', stop, { capture: true });
}
