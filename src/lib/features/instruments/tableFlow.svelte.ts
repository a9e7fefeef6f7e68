import type { Choices, Guess } from '$lib/core/record/columns';
import type { Role } from '$lib/core/record/logRoles';
import { recallMapping, rememberMapping } from '$lib/store/mappings';
import { compute } from '$lib/workers/core';

export interface OpenTable {
	fileName: string;
	headers: string[];
	layout: string;
	rows: number;
	sample: string[][];
	guess: Guess;
}

export type Taken = Record<string, Float64Array>;

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
			const roles = [...this.#roles];
			const table = await compute((api) => api.openTable(file, roles), signal);
			const remembered = await recallMapping(this.#purpose, table.layout);
			let choices: Choices | null = remembered ?? table.guess.choices;
			if (!remembered && (table.guess.unclear.length > 0 || !this.#complete(choices))) {
				choices = await this.#ask({ fileName: file.name, ...table });
				if (!choices) return null;
				await rememberMapping(this.#purpose, table.layout, choices);
			}
			const chosen = choices;
			return await compute((api) => api.takeColumns(roles, chosen), signal);
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
