<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { readSettings, rollBack, settingChanges } from '$lib/core/settings/sheet';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft } from '$lib/store/repository';
	import { saveSettingsSheet } from '$lib/store/settingsSheet';
	import Button from '$lib/ui/Button.svelte';
	import { problemWords } from '$lib/ui/problem';
	import Caution from '$lib/ui/Caution.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import { download } from '$lib/ui/download';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { showDate, showTime } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';

	/** An aircraft's settings through time: a sheet each time they are read off, what changed between them, and the way back. */
	let { id }: { id: string } = $props();
	const stored = live(
		async () => findAircraft(id),
		() => id,
	);
	const aircraft = $derived(stored.current);
	const sheets = $derived((aircraft?.snapshots ?? []).toReversed());

	let pasted = $state('');
	let note = $state('');
	let problem = $state('');
	/** The two that are compared; the last and the one before where none was chosen. */
	let chosen = $state<{ before: string; after: string }>({ before: '', after: '' });

	// svelte-ignore state_referenced_locally
	const draft = keepDraft(
		`settings-${id}`,
		() => (pasted.trim() ? { pasted, note } : null),
		(kept) => {
			if (!kept || typeof kept !== 'object' || !('pasted' in kept)) return;
			pasted = String(kept.pasted);
		},
	);

	const after = $derived(sheets.find((s) => s.id === chosen.after) ?? sheets[0]);
	const before = $derived(sheets.find((s) => s.id === chosen.before) ?? sheets.find((s) => s !== after));
	const changes = $derived(before && after ? settingChanges(before.values, after.values) : []);
	const when = (at: string) => `${showDate(at)}, ${showTime(at)}`;
	const title = $derived(
		!after
			? `Keep ${aircraft?.name ?? ''}’s settings before you change any`
			: !before
				? `${after.values.length} settings kept; the next sheet shows what changed`
				: changes.length === 0
					? 'Nothing differs between these two'
					: `${changes.length} ${changes.length === 1 ? 'setting differs' : 'settings differ'}`,
	);

	async function keep() {
		if (!aircraft) return;
		try {
			problem = '';
			const values = readSettings(pasted);
			const changes = await saveSettingsSheet(id, { values, note: note.trim() });
			draft.forget();
			[pasted, note, chosen] = ['', '', { before: '', after: '' }];
			done(changes > 0 ? 'Settings sheet saved; event “Settings changed” logged' : 'Settings sheet saved');
		} catch (error) {
			problem = problemWords(error);
		}
	}
	async function take(file: File) {
		try {
			pasted = await file.text();
			note ||= file.name;
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if stored.ready && !aircraft}
	<Page title="This aircraft is not on this device" name="Settings"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if aircraft}
	<Page {title} name="Settings of {aircraft.name}" lead="Settings of {aircraft.name}">
		{#snippet margin()}
			{#if changes.length > 1}
				<h2 class="mt-5 mb-2">One change at a time</h2>
				<p class="m-0">
					{changes.length} changed together: if it flies differently, nobody can say which mattered. Put all but one back,
					fly, then take the next.
				</p>
			{/if}
			<p class="mt-4"><Button href="/aircraft/{id}">Back to {aircraft.name}</Button></p>
		{/snippet}

		{#if before && after}
			<div class="mb-3 flex flex-wrap items-end gap-4">
				{#each ['before', 'after'] as const as which (which)}
					<Select
						label={which === 'before' ? 'From' : 'To'}
						value={(which === 'before' ? before : after).id}
						options={sheets.map(({ id, at, note }) => ({ value: id, label: `${when(at)}${note ? ` · ${note}` : ''}` }))}
						onchange={(next) => (chosen = { ...chosen, [which]: next })}
					/>
				{/each}
			</div>
			{#if changes.length > 0}
				<table class="max-w-3xl">
					<thead><tr><th scope="col">setting</th><th scope="col">was</th><th scope="col">is</th></tr></thead>
					<tbody>
						{#each changes as { name, before: was, after: is } (name)}
							<tr
								><td class="font-mono break-all">{name}</td><td class="font-mono break-all">{was ?? 'not there'}</td><td
									class="font-mono font-bold break-all">{is ?? 'gone'}</td
								></tr
							>
						{/each}
					</tbody>
				</table>
				<div class="mt-3">
					<Button onclick={() => download(`${aircraft.name}-back.txt`, rollBack(changes), 'text/plain')}
						>Save the list that puts them back</Button
					>
				</div>
			{/if}
		{/if}

		<section class="mt-8 grid max-w-3xl gap-3" aria-labelledby="keep">
			<h2 id="keep" class="m-0">Keep a sheet</h2>
			<Caution>Before you paste another’s settings, keep your own: a paste may reset what nobody looks at.</Caution>
			<FileDrop
				accept=".txt,.csv,.param,.cfg,text/plain"
				label="A file of settings, or paste its lines below"
				onfile={take}
			/>
			<TextField
				label="Lines of name and value, as its program shows or saves them"
				class="font-mono text-note"
				rows={7}
				bind:value={pasted}
			/>
			<TextField label="What was changed, and why" maxlength={400} bind:value={note} />
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			<div>
				<Button kind="primary" onclick={() => void keep()} disabled={pasted.trim() === ''}>Keep this sheet</Button>
			</div>
		</section>
	</Page>
{/if}
