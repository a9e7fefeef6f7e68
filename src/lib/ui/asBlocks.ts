/**
 * Sets out as blocks what is too wide for its screen: each row of the region's table stands on its own, each cell beside the
 * name of its column (`.as-blocks` in app.css). Tables stay tables to screen readers. Looked at again whenever the region's
 * width or the table's content changes.
 *
 * @param region - What holds the table, as wide as the page leaves it.
 * @returns What ends the watching.
 */
export function asBlocks(region: HTMLElement): () => void {
	const watching = { childList: true, characterData: true, subtree: true };
	const fit = () => {
		region.classList.remove('as-blocks');
		if (region.scrollWidth <= region.clientWidth + 1) return;
		for (const table of region.querySelectorAll('table')) name(table);
		region.classList.add('as-blocks');
	};
	const size = new ResizeObserver(fit);
	const content = new MutationObserver(fit);
	size.observe(region);
	content.observe(region, watching);
	return () => {
		size.disconnect();
		content.disconnect();
	};
}

/** Gives rows and cells the roles that laying them out takes from them, and cells the name of their column. */
function name(table: HTMLTableElement): void {
	const names = [...(table.tHead?.rows[0]?.cells ?? [])].map((head) =>
		head.querySelector('.sr-only') ? '' : (head.textContent?.trim() ?? ''),
	);
	table.role = 'table';
	for (const row of table.rows) {
		row.role = 'row';
		let k = 0;
		for (const cell of row.cells) {
			if (cell.tagName === 'TH') cell.role = 'columnheader';
			else {
				cell.role = 'cell';
				const heads = k === 0 && !cell.classList.contains('num');
				cell.dataset.column = heads || cell.colSpan > 1 ? '' : (names[k] ?? '');
			}
			k += cell.colSpan;
		}
	}
}
