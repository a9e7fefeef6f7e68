<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { counted } from '$lib/words/counted';
	import type { retiredSchema } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { deleteUnused, sessionsWith } from '$lib/store/removal';
	import Button from '$lib/ui/Button.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import type { z } from 'zod';

	type Retired = z.infer<typeof retiredSchema>;
	/** Takes an aircraft or a site out of use with a reason, or deletes it where no session names it. */
	type Props = {
		table: 'aircraft' | 'sites';
		id: string;
		name: string;
		retired: Retired | undefined;
		/** Keeps it with or without its mark. */
		keep: (retired: Retired | undefined) => Promise<unknown>;
		ondeleted: () => void;
	};
	let { table, id, name, retired, keep, ondeleted }: Props = $props();
	let why = $state('');
	let problem = $state('');
	const used = live(
		() => sessionsWith(table, id),
		() => id,
	);

	async function attempt(work: () => Promise<unknown>, words: string) {
		try {
			await work();
			done(words);
		} catch (error) {
			failed(error);
		}
	}
	function retire() {
		problem = why.trim() === '' ? 'Why: it needs a reason, for whoever asks later.' : '';
		if (!problem) void attempt(() => keep({ at: new Date().toISOString(), why: why.trim() }), `${name} is out of use`);
	}
	/** It may stand within a form of its own: the key means this field alone. */
	function byEnter(event: KeyboardEvent) {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		retire();
	}
	async function remove() {
		try {
			const undo = await deleteUnused(table, id);
			done(`${name} is deleted`, () => void undo().catch(failed));
			ondeleted();
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if retired}
	<p class="m-0">Out of use since {showDate(retired.at)}: {retired.why}</p>
	<div class="mt-2">
		<Button onclick={() => void attempt(() => keep(undefined), `${name} is in use again`)}>Use it again</Button>
	</div>
{:else if used.ready && used.current === 0}
	<p class="m-0">No session names it: it can be deleted, with its packs and photos.</p>
	<div class="mt-2"><Button onclick={() => void remove()}>Delete {name}</Button></div>
{:else if used.ready}
	<p class="m-0">
		The record holds {counted(used.current ?? 0, 'session')} with it, and keeps them. Out of use, it is offered for no new
		one.
	</p>
	<div class="mt-2 flex flex-wrap items-end gap-3">
		<div class="min-w-52 flex-1">
			<TextField
				label="Why it goes out of use"
				maxlength={200}
				wrong={problem !== ''}
				bind:value={why}
				onkeydown={byEnter}
			/>
		</div>
		<Button onclick={retire}>Take it out of use</Button>
	</div>
	{#if problem}<p class="m-0 mt-1 font-semibold text-hold" role="alert">{problem}</p>{/if}
{/if}
