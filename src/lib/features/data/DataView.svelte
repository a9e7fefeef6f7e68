<script lang="ts">
	import { packBackup, unpackBackup, unpackSession } from '$lib/core/record/archive';
	import { loadDemo } from '$lib/features/demo/loadDemo';
	import Page from '$lib/features/shell/Page.svelte';
	import { MAX_FILE_BYTES, readText } from '$lib/sources/readFile';
	import { readBackup, restore } from '$lib/store/backup';
	import { live } from '$lib/store/live.svelte';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { download } from '$lib/ui/download';
	import { done } from '$lib/ui/notify';

	const all = live(readBackup);
	let busy = $state('');
	let problem = $state('');

	async function attempt(what: string, work: () => Promise<void>) {
		busy = what;
		problem = '';
		try {
			await work();
		} catch (error) {
			problem = error instanceof Error ? error.message : String(error);
		} finally {
			busy = '';
		}
	}

	const exportAll = () =>
		attempt('Packing', async () => {
			const at = new Date().toISOString();
			download(`winglogos-${at.slice(0, 10)}.zip`, packBackup(await readBackup(), at), 'application/zip');
		});

	const importFile = (file: File) =>
		attempt(`Checking ${file.name}`, async () => {
			if (file.size > 2 * MAX_FILE_BYTES)
				throw new Error(`${file.name} is larger than any backup of this application. Nothing was imported.`);
			const backup = /\.zip$/i.test(file.name)
				? unpackBackup(new Uint8Array(await file.arrayBuffer()), file.name)
				: unpackSession(await readText(file), file.name);
			const { sessions, entries, aircraft } = await restore(backup);
			done(`Imported: ${sessions} sessions, ${entries} entries, ${aircraft} aircraft. What was here already is kept.`);
		});

	const rows = $derived(
		all.current
			? [
					['Aircraft', all.current.aircraft.length],
					['Sites', all.current.sites.length],
					['Packs', all.current.packs.length],
					['Sessions', all.current.sessions.filter(({ kind }) => kind !== 'bench').length],
					['Bench books', all.current.sessions.filter(({ kind }) => kind === 'bench').length],
					['Entries', all.current.entries.length],
				]
			: [],
	);
</script>

<Page
	title="Your data are on this device and nowhere else"
	name="Data"
	lead="Export them now and then: a browser may clear what it stores."
>
	<div class="grid max-w-5xl gap-8 md:grid-cols-2">
		<section>
			<h2 class="m-0 mb-2">Out</h2>
			<table class="mb-4 max-w-xs">
				<tbody
					>{#each rows as [name, count] (name)}<tr><td>{name}</td><td class="num">{count}</td></tr>{/each}</tbody
				>
			</table>
			<Button kind="primary" disabled={busy !== ''} onclick={() => void exportAll()}>Export everything (zip)</Button>
			<p class="mt-2 text-[15px] text-ink-2">
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
			<p class="mt-2 text-[15px] text-ink-2">
				Every field and every chain is checked first; then all of it comes in, or nothing.
			</p>
			{#if problem}<p class="mt-3 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold break-words" role="alert">
					{problem}
				</p>{/if}
			{#if busy}<div class="mt-3">
					<p class="m-0 mb-1">{busy}…</p>
					<Progress value={null} label={busy} />
				</div>{/if}
		</section>
		<section>
			<h2 class="m-0 mb-2">To look round</h2>
			<Button
				disabled={busy !== ''}
				onclick={() =>
					void attempt('Making the demo data', async () => {
						await loadDemo();
						done('The demo data are on this device');
					})}>Load the demo data</Button
			>
			<p class="mt-2 text-[15px] text-ink-2">
				An invented crew, three aircraft, four sessions, beside whatever is here.
			</p>
		</section>
	</div>
</Page>
