<script lang="ts">
	import { problemWords } from '$lib/ui/problem';
	import { localDay } from '$lib/words/calendar';
	import { counted } from '$lib/words/counted';
	import { InputError } from '$lib/core/finding/inputError';
	import { loadDemo } from '$lib/features/demo/loadDemo';
	import Page from '$lib/features/shell/Page.svelte';
	import { MAX_FILE_BYTES } from '$lib/instruments/readText';
	import { demoHere, takeOutDemo } from '$lib/store/removal';
	import { countAll } from '$lib/store/tables';
	import { call } from '$lib/workers/core';
	import type { TaskAnswer } from '$lib/workers/tasks';
	import ImportPlan from './ImportPlan.svelte';
	import { storageTold } from '$lib/store/device';
	import { live } from '$lib/store/live.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { download } from '$lib/ui/download';
	import { done, failed } from '$lib/ui/notify';

	const all = live(countAll);
	let busy = $state('');
	let problem = $state('');
	let fault = $state('');
	/** A checked file and what it would bring; nothing is changed before it is confirmed. */
	let plan = $state.raw<TaskAnswer<'checkImport'> | null>(null);
	/** Share of the import that is written; null where nobody knows. */
	let share = $state<number | null>(null);

	/** Leaves out what changed since the choice, instead of everything. */
	let leaveChanged = $state(false);
	let running = $state.raw<AbortController | null>(null);

	async function attempt(what: string, work: (signal: AbortSignal) => Promise<void>) {
		busy = what;
		running = new AbortController();
		problem = '';
		fault = '';
		try {
			await work(running.signal);
		} catch (error) {
			if (error instanceof DOMException && error.name === 'AbortError') return;
			problem = problemWords(error);
		} finally {
			busy = '';
			running = null;
			share = null;
		}
	}

	const exportAll = () =>
		attempt('Packing', async (signal) => {
			const at = new Date().toISOString();
			const { data, fault: found } = await call('exportBackup', at, { signal });
			fault = found ?? '';
			download(`winglogos-${localDay(at)}.zip`, data, 'application/zip');
		});

	const importFile = (file: File) =>
		attempt(`Checking ${file.name}`, async (signal) => {
			if (file.size > 2 * MAX_FILE_BYTES)
				throw new Error(`${file.name} is larger than any backup of this application. Nothing was imported.`);
			plan = await call('checkImport', file, { signal });
		});

	const carryOut = () =>
		attempt('Bringing it in', async (signal) => {
			if (!plan) return;
			const { checked, items } = plan;
			const { sessions, entries, aircraft } = await call(
				'applyImport',
				{ checked, items, options: { leaveChanged } },
				{ signal, progress: (written) => (share = written) },
			).catch(async (error: unknown) => {
				// The pilot chooses again on what is here now.
				if (error instanceof InputError && error.code === 'changed-meanwhile')
					plan = { checked, items: await call('planImport', checked, { signal }) };
				throw error;
			});
			plan = null;
			done(`Imported: ${counted(sessions, 'session')}, ${counted(entries, 'entry', 'entries')}, ${aircraft} aircraft`);
		});
	function choose(index: number, take: boolean) {
		if (plan) plan = { ...plan, items: plan.items.map((item, k) => (k === index ? { ...item, take } : item)) };
	}

	const demo = live(demoHere);
	let taking = $state(false);

	const space = live(storageTold);
	const MB = 1e6;
	const keeping = $derived.by(() => {
		const { kept, usedBytes, freeBytes } = space.current ?? {};
		if (kept === undefined) return '';
		const words = kept
			? 'This browser keeps them until you clear them yourself.'
			: 'This browser may clear them when space is short: export them after each day.';
		if (typeof usedBytes !== 'number' || typeof freeBytes !== 'number') return words;
		const free = freeBytes / MB;
		return `${words} ${(usedBytes / MB).toFixed(1)} MB used, ${free < 1000 ? `${free.toFixed(0)} MB` : `${(free / 1000).toFixed(0)} GB`} free.`;
	});
	const rows = $derived(
		all.current
			? [
					['Aircraft', all.current.aircraft],
					['Sites', all.current.sites],
					['Packs', all.current.packs],
					['Sessions', all.current.sessions],
					['Bench books', all.current.benchBooks],
					['Entries', all.current.entries],
					['Photos', all.current.photos],
				]
			: [],
	);
</script>

<Page
	title="Your data are on this device and nowhere else"
	name="Data"
	lead="Export them now and then: a device can be lost."
>
	<div class="grid max-w-5xl gap-8 md:grid-cols-2">
		<section>
			<h2 class="m-0 mb-2">Out</h2>
			<table class="mb-4 max-w-xs">
				<tbody
					>{#each rows as [name, count] (name)}<tr><td>{name}</td><td class="num">{count}</td></tr>{/each}</tbody
				>
			</table>
			{#if keeping}<p class="mt-0 mb-4 max-w-brief">{keeping}</p>{/if}
			<Button kind="primary" disabled={busy !== ''} onclick={() => void exportAll()}>Export everything (zip)</Button>
			{#if fault}<p class="mt-3 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold break-words" role="alert">
					Saved as it stands, but it cannot be imported again: {fault}
				</p>{/if}
			<p class="mt-2 text-small text-ink-2">
				JSON files with a manifest of checksums. One session alone is exported from the logbook.
			</p>
		</section>
		<section>
			<h2 class="m-0 mb-2">In</h2>
			<FileDrop
				accept=".zip,.json,application/zip,application/json"
				label="A backup (zip) or a session (JSON)"
				onfile={(file) => void importFile(file)}
			/>
			<p class="mt-2 text-small text-ink-2">
				Every field and every chain is checked first, and you see what is new and what differs before anything is
				changed; then what you chose comes in whole, or nothing.
			</p>
			{#if problem}<p class="mt-3 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold break-words" role="alert">
					{problem}
				</p>{/if}
			{#if busy}<div class="mt-3">
					<p class="m-0 mb-1">{busy}…</p>
					<Progress value={share} label={busy} />
					<div class="mt-2"><Button onclick={() => running?.abort()}>Cancel</Button></div>
				</div>{/if}
		</section>
		<section>
			<h2 class="m-0 mb-2">To look round</h2>
			<Button
				disabled={busy !== ''}
				onclick={() =>
					void attempt('Making the demo data', async (signal) => {
						await loadDemo(signal);
						done('The demo data are on this device');
					})}>Load the demo data</Button
			>
			<p class="mt-2 text-small text-ink-2">An invented crew, five aircraft, four sessions, beside whatever is here.</p>
			{#if demo.current && demo.current.aircraft > 0}
				<Button disabled={busy !== ''} onclick={() => (taking = true)}>Take the demo out again</Button>
			{/if}
		</section>
	</div>
	<Dialog bind:open={taking} title="Take the demo out again?">
		{#if demo.current}
			{@const { aircraft, sessions, begun } = demo.current}
			<p class="m-0">
				{aircraft} aircraft of the demo and {counted(sessions, 'session')} of theirs go, with packs, photos and its sites.
				What you entered yourself stays.
			</p>
			{#if begun.length > 0}
				<p class="mt-3 mb-0 font-semibold">
					{begun.length === 1 ? 'One of these sessions was' : `${begun.length} of these sessions were`} begun here with a
					demo aircraft and {begun.length === 1 ? 'goes' : 'go'} too: {begun.map(({ title }) => title).join(', ')}.
					Export first what is to be kept.
				</p>
			{/if}
		{/if}
		<div class="mt-4 flex flex-wrap gap-3">
			<Button
				kind="primary"
				onclick={() => {
					taking = false;
					void attempt('Taking the demo out', async () => {
						const undo = await takeOutDemo();
						done('The demo is off this device', () => void undo().catch(failed));
					});
				}}>Take it out</Button
			>
			<Button class="min-h-14" onclick={() => (taking = false)}>Back</Button>
		</div>
	</Dialog>
	{#if plan}
		<ImportPlan
			items={plan.items}
			busy={busy !== ''}
			bind:leaveChanged
			onchoose={choose}
			ongo={() => void carryOut()}
			oncancel={() => (plan = null)}
		/>
	{/if}
</Page>
