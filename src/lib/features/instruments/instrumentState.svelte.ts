import { problemWords } from '$lib/ui/problem';
import { PRACTICE_PLACE } from '$lib/rig/rig';
import { InputError } from '$lib/core/finding/inputError';
import { failed } from '$lib/ui/notify';
import { units } from '$lib/ui/preferences.svelte';
import {
	blankValues,
	exampleValues,
	type Cell,
	type Finding,
	type Input,
	type Instrument,
	type Row,
	type Sample,
	type Taken,
	type Values,
} from '$lib/instruments/instrument';
import { decodeSound } from '$lib/instruments/decodeSound';
import { missingIn } from '$lib/instruments/form';
import type { Filled } from '$lib/instruments/known';
import { call } from '$lib/workers/core';
import { TableFlow } from '../measuring/tableFlow.svelte';

type Phase = 'choose' | 'busy' | 'result';

const KEY = 'winglogos-form-';

/** What was typed last time, as far as it still fits the form. */
function recall({ id, fields }: Instrument): Values {
	const start = blankValues(fields);
	let kept: unknown;
	try {
		kept = JSON.parse(localStorage.getItem(KEY + id) ?? '{}');
	} catch {
		return start; // unreadable drafts are no drafts
	}
	if (!kept || typeof kept !== 'object') return start;
	const found = kept as Record<string, unknown>;
	return Object.fromEntries(
		fields.map(({ id: field, kind }) => {
			const value = found[field];
			const fits =
				kind === 'rows'
					? Array.isArray(value)
					: kind === 'number'
						? typeof value === 'number' || value === null
						: typeof value === 'string';
			return [field, fits ? (value as Cell | Row[]) : start[field]];
		}),
	);
}

/** One instrument at work: from what goes in to the finding. */
export class InstrumentState {
	readonly instrument: Instrument;
	readonly table: TableFlow | null;
	values = $state.raw<Values>({});
	phase = $state<Phase>('choose');
	progress = $state<number | null>(null);
	finding = $state.raw<Finding | null>(null);
	sourceName = $state('');
	/** Set where the data are the simulated fleet's. */
	practice = $state(false);
	/** Address of the picture that was measured, to be drawn. */
	pictureUrl = $state('');
	problem = $state('');
	/** What was recorded live, to be saved as a file. */
	recorded = $state.raw<File | null>(null);
	#taken: Taken | null = null;
	#file: File | null = null;
	#abort: AbortController | null = null;
	/** The field that keeps it from being worked out. */
	problemField = $state('');
	#site: () => Input['site'];
	#date: () => string;

	/** Where a field's value is known from, as far as the pilot has not changed it. */
	from = $state.raw<Readonly<Record<string, string>>>({});

	/** `filled` is what is known already, of the aircraft or from what was just seen. */
	constructor(instrument: Instrument, site: () => Input['site'], date: () => string, filled: Filled | null = null) {
		this.instrument = instrument;
		this.values = filled ? { ...blankValues(instrument.fields), ...filled.values } : recall(instrument);
		this.from = filled?.from ?? {};
		this.table =
			instrument.file?.kind === 'table'
				? new TableFlow(instrument.id, instrument.file.roles, instrument.file.complete)
				: null;
		this.#site = site;
		this.#date = date;
	}

	title = $derived.by(() => {
		if (this.phase === 'busy') return 'Working it out…';
		return this.finding?.headline ?? this.instrument.opening;
	});

	/** True where there is something to compute with. */
	get ready(): boolean {
		return !this.instrument.file || this.#file !== null;
	}

	/** Whether it was worked out from a log, a recording or a picture, and not from what was typed alone. */
	get fromData(): boolean {
		return this.#file !== null;
	}

	set(id: string, value: Cell | readonly Row[]): void {
		this.values = { ...this.values, [id]: value };
		this.problemField = '';
		this.from = Object.fromEntries(Object.entries(this.from).filter(([field]) => field !== id));
		try {
			localStorage.setItem(KEY + this.instrument.id, JSON.stringify(this.values));
		} catch {
			// Storage that is full or blocked keeps no drafts; what is typed stays on the page.
		}
		this.practice &&= this.#file !== null;
	}

	async tryIt(sample: Sample, seed: number): Promise<void> {
		try {
			if (sample.values || this.instrument.fields.length > 0)
				[this.values, this.from] = [{ ...exampleValues(this.instrument.fields), ...sample.values }, {}];
			this.#clear();
			this.phase = 'busy';
			this.progress = null;
			this.practice = true;
			this.sourceName = `practice: ${sample.label.toLowerCase()}`;
			if (sample.file) await this.#read(await sample.file(seed));
			await this.work();
		} catch (error) {
			this.#failed(error);
		}
	}

	async takeFile(file: File, from: { practice: boolean; name: string } | null = null): Promise<void> {
		this.#clear();
		this.practice = from?.practice ?? false;
		this.sourceName = from?.name ?? file.name;
		this.recorded = from ? file : null;
		try {
			if (await this.#read(file)) await this.work();
		} catch (error) {
			this.#failed(error);
		}
	}

	/** Reads a file as the instrument wants it; false where the pilot turned back. */
	async #read(file: File): Promise<boolean> {
		this.phase = 'busy';
		this.progress = null;
		this.#abort = new AbortController();
		if (this.table) {
			this.#taken = await this.table.read(file, this.#abort.signal);
			if (!this.#taken) {
				this.phase = 'choose';
				return false;
			}
		}
		if (this.instrument.file?.kind === 'sound') this.#taken = { sound: await decodeSound(file) };
		if (this.instrument.file?.kind === 'picture') {
			URL.revokeObjectURL(this.pictureUrl);
			this.pictureUrl = URL.createObjectURL(file);
		}
		this.#file = file;
		return true;
	}

	/** Computes with what is there: after a file was read, or when figures were changed. */
	async work(): Promise<void> {
		this.problem = '';
		const missing = missingIn(this.instrument.fields, this.values);
		if (missing) {
			this.problemField = missing.id;
			this.#failed(new InputError('missing', missing.id, missing.message));
			return;
		}
		this.phase = 'busy';
		this.progress = null;
		this.#abort = new AbortController();
		const { signal } = this.#abort;
		if (!this.sourceName) this.sourceName = 'typed in';
		try {
			const input: Input = {
				values: this.values,
				taken: this.#taken,
				file: this.#file,
				// An example is of the practice aircraft's own place.
				site: this.#site() ?? (this.practice ? { name: 'practice place', ...PRACTICE_PLACE } : null),
				date: this.#date(),
				units: units(),
			};
			this.finding = await call(
				'measure',
				{ instrument: this.instrument.id, input },
				{ signal, progress: (share) => (this.progress = share) },
			);
			this.phase = 'result';
		} catch (error) {
			this.#failed(error);
		}
	}

	#failed(error: unknown): void {
		this.phase = this.finding && this.ready ? 'result' : 'choose';
		if (error instanceof DOMException && error.name === 'AbortError') return;
		this.finding = null;
		this.phase = 'choose';
		this.problem = problemWords(error);
		failed(error);
	}

	cancel(): void {
		this.#abort?.abort();
	}

	#clear(): void {
		this.#abort?.abort();
		this.#file = null;
		this.#taken = null;
		this.finding = null;
		this.problem = '';
		this.sourceName = '';
		this.recorded = null;
	}

	/** Back to the beginning; what was typed stays, and an example's figures go. */
	repeat(): void {
		if (this.practice) this.values = recall(this.instrument);
		this.#clear();
		this.practice = false;
		this.phase = 'choose';
	}

	dispose(): void {
		this.#abort?.abort();
		URL.revokeObjectURL(this.pictureUrl);
	}
}
