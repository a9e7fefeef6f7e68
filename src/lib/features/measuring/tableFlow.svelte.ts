import type { Choices } from '$lib/core/record/columns';
import type { Role } from '$lib/core/record/logRoles';
import type { ReadTable } from '$lib/workers/computing';
import type { Taken } from '$lib/instruments/instrument';
import { recallMappings, rememberMapping } from '$lib/store/mappings';
import { done } from '$lib/ui/notify';
import { call } from '$lib/workers/core';

export type OpenTable = ReadTable & { fileName: string };

/** A text table on its way to columns: recognised, remembered, or mapped by the pilot. */
export class TableFlow {
	/** Set while the pilot must say what the columns are. */
	asking = $state.raw<OpenTable | null>(null);
	busy = $state(false);
	readonly #purpose: string;
	readonly #roles: readonly Role[];
	readonly #complete: (choices: Choices) => boolean;
	#answer: ((choices: Choices | null) => void) | null = null;

	/** `complete` says whether the choices are enough to go on with. */
	constructor(purpose: string, roles: readonly Role[], complete: (choices: Choices) => boolean) {
		this.#purpose = purpose;
		this.#roles = roles;
		this.#complete = complete;
	}

	get roles(): readonly Role[] {
		return this.#roles;
	}

	complete(choices: Choices): boolean {
		return this.#complete(choices);
	}

	/** Columns of a file in SI units; null where the pilot turned back. */
	async read(file: File, signal?: AbortSignal): Promise<Taken | null> {
		this.busy = true;
		try {
			const [roles, remembered] = [[...this.#roles], await recallMappings(this.#purpose)];
			const read = await call('readColumns', { file, roles, remembered, chosen: null }, { signal });
			if (read.dropped > 0) done(`${read.dropped} rows without a position were left out`);
			if (read.columns && read.choices && (read.layout in remembered || this.#complete(read.choices)))
				return read.columns;
			const chosen = await this.#ask({ fileName: file.name, ...read });
			if (!chosen) return null;
			await rememberMapping(this.#purpose, read.layout, chosen);
			return (await call('readColumns', { file, roles, remembered, chosen }, { signal })).columns;
		} finally {
			this.busy = false;
		}
	}

	#ask(table: OpenTable): Promise<Choices | null> {
		this.asking = table;
		return new Promise((resolve) => {
			this.#answer = (choices) => {
				this.asking = null;
				resolve(choices);
			};
		});
	}

	answer(choices: Choices | null): void {
		this.#answer?.(choices);
		this.#answer = null;
	}
}
