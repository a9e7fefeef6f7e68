<script lang="ts">
	import { handOutOf, type HandOut } from '$lib/core/record/handOut';
	import { counted } from '$lib/words/counted';
	import { exportSession, readSessionFile } from '$lib/store/backup';
	import { once } from '$lib/store/live.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { download } from '$lib/ui/download';
	import { failed } from '$lib/ui/notify';
	import { problemWords } from '$lib/ui/problem';

	type Props = {
		id: string;
		title: string;
		open: boolean;
		/** Receives, after saving, why an import would refuse the file; null where it would not. */
		onsaved: (fault: string | null) => void;
	};
	/** Says what goes out with a session before it is saved for others. */
	let { id, title, open = $bindable(), onsaved }: Props = $props();

	const file = once(
		async () => {
			if (!open) return null;
			// What cannot be exported is said here: the rest of the page is whole.
			return readSessionFile(id).then(
				(whole) => ({ out: handOutOf(whole), problem: '' }),
				(error: unknown) => ({ out: null, problem: problemWords(error) }),
			);
		},
		() => open,
	);
	const out = $derived(file.current?.out ?? null);
	const problem = $derived(file.current?.problem ?? '');

	const stays = ({ events, sheets, aircraft }: HandOut): string =>
		[
			'Other sessions',
			...(events.here > 0 ? [`${counted(events.here, 'other event')} of ${aircraft}`] : []),
			...(sheets > 0 ? [`${counted(sheets, 'settings sheet')} of ${aircraft}`] : []),
		].join(', ');

	async function save() {
		try {
			const { data, fault } = await exportSession(id);
			download(`session-${title.replace(/[^\p{L}\p{N}]+/gu, '-')}.json`, data, 'application/json');
			open = false;
			onsaved(fault);
		} catch (error) {
			failed(error);
		}
	}
</script>

<Dialog bind:open title="Export this session" description="For a client, an authority or another device of the crew.">
	{#if out}
		<h3 class="m-0 mb-1 text-lead">In the file</h3>
		<ul class="m-0 grid list-none gap-1 p-0">
			<li>{counted(out.entries, 'entry', 'entries')} of its record</li>
			<li>Names: {out.people.join(', ')}</li>
			<li>
				{out.aircraft}: limits, equipment and notes{out.events.out > 0
					? `, ${counted(out.events.out, 'event')} of this session`
					: ''}
			</li>
			{#if out.site}<li>{out.site}: position, rules, hazards, notes</li>{/if}
			{#if out.battery}<li>Battery {out.battery}: of its flights this one</li>{/if}
			{#if out.photos > 0}<li>{counted(out.photos, 'photo')}</li>{/if}
		</ul>
		<h3 class="mt-4 mb-1 text-lead">Stays on this device</h3>
		<p class="m-0">
			{stays(out)}. A backup at Data holds everything.
		</p>
		<div class="mt-5 flex flex-wrap gap-3">
			<Button kind="primary" onclick={() => void save()}>Save the file</Button>
			<Button onclick={() => (open = false)}>Cancel</Button>
		</div>
	{:else if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>
	{:else}<p class="m-0">Reading…</p>{/if}
</Dialog>
