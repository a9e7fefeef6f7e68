<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import { fieldWords } from '$lib/core/record/snapshot';
	import { counted } from '$lib/words/counted';
	import type { MergeItem, MergeState, MergeTable } from '$lib/core/record/merge';
	import Button from '$lib/ui/Button.svelte';

	/** What a file would bring, thing by thing, before anything is changed: what is new, what differs, what would be replaced. */
	type Props = {
		items: MergeItem[];
		busy: boolean;
		leaveChanged: boolean;
		onchoose: (index: number, take: boolean) => void;
		ongo: () => void;
		oncancel: () => void;
	};
	let { items, busy, leaveChanged = $bindable(), onchoose, ongo, oncancel }: Props = $props();

	const TABLES: Record<MergeTable, string> = {
		aircraft: 'Aircraft',
		sites: 'Site',
		packs: 'Pack',
		sessions: 'Session',
	};
	const STATES: Record<MergeState, string> = {
		new: 'new here',
		same: 'the same here',
		differs: 'differs from what is here',
		'goes-on': 'goes on from what is here',
		behind: 'here it went on further',
		parted: 'parted: both sides went on by themselves',
	};
	const ADDED: Record<MergeTable, string> = {
		aircraft: 'event or settings sheet',
		sites: 'row',
		packs: 'flight',
		sessions: 'entry',
	};
	const open = $derived(items.flatMap((item, index) => (item.open ? [{ item, index }] : [])));
	const kept = $derived(items.filter(({ open: o }) => !o));
	const taken = $derived(items.filter(({ take }) => take).length);
	const joined = $derived(
		items.filter(({ table, state, adds }) => table !== 'sessions' && state !== 'new' && adds > 0),
	);
</script>

<section class="mt-6 rounded border border-ink px-5 py-4" aria-label="What the file would bring">
	<h2 class="m-0">
		{open.length === 0 ? 'Nothing in the file is new here' : 'What the file would bring'}
	</h2>
	<p class="mt-1 mb-3 text-ink-2">Nothing has been changed yet. What is here stays unless you take the file’s.</p>
	<ul class="m-0 list-none p-0">
		{#each open as { item, index } (item.table + item.id)}
			<li class="hairline py-3">
				<Checkbox checked={item.take} onchange={(on) => onchoose(index, on)}
					><span class="min-w-0 flex-1">
						<b>{TABLES[item.table]} {item.name}</b>: {STATES[item.state]}{item.table === 'sessions' && item.adds > 0
							? `, ${item.adds} ${item.adds === 1 ? 'entry' : 'entries'} from the file`
							: ''}
						{#if item.removes > 0}<b class="text-hold"
								>; taking it removes {counted(item.removes, 'entry', 'entries')} from this device</b
							>{/if}
						{#if item.differences.length > 0}
							<span class="mt-1 block overflow-x-auto">
								<table class="text-note">
									<thead
										><tr><th scope="col">field</th><th scope="col">here</th><th scope="col">in the file</th></tr></thead
									>
									<tbody>
										{#each item.differences as d (d.field)}
											<tr
												><td>{fieldWords(d.field)}</td><td class="break-words">{d.here}</td><td class="break-words"
													>{d.there}</td
												></tr
											>
										{/each}
									</tbody>
								</table>
							</span>
						{/if}
					</span></Checkbox
				>
			</li>
		{/each}
	</ul>
	{#if joined.length > 0}
		<p class="mt-3 mb-0 text-small">
			Joined by date, whatever is chosen: {joined
				.map(({ table, name, adds }) => `${counted(adds, ADDED[table])} of ${name}`)
				.join(', ')}. A running session logs new events; checks that they affect are to do again.
		</p>
	{/if}
	{#if kept.length > 0}<p class="mt-2 mb-0 text-small text-ink-2">
			{kept.length}
			{kept.length === 1 ? 'thing is' : 'things are'} here already and {kept.length === 1 ? 'stays' : 'stay'} as
			{kept.length === 1 ? 'it is' : 'they are'}.
		</p>{/if}
	<Checkbox
		bind:checked={leaveChanged}
		label="Import the rest if something on this device changes meanwhile"
		class="mt-3 text-small"
	/>
	<div class="mt-4 flex gap-3">
		<Button kind="primary" disabled={busy || (taken === 0 && joined.length === 0)} onclick={ongo}>Bring it in</Button>
		<Button class="min-h-14" onclick={oncancel}>Leave it</Button>
	</div>
</section>
