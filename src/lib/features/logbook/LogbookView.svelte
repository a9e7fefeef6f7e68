<script lang="ts">
	import { packSession } from '$lib/core/record/archive';
	import { verifyChain } from '$lib/core/record/chain';
	import Page from '$lib/features/shell/Page.svelte';
	import { readSessionFile } from '$lib/store/backup';
	import { live } from '$lib/store/live.svelte';
	import { listSessions } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Gate from '$lib/ui/Gate.svelte';
	import { download } from '$lib/ui/download';
	import { showDate, showTime } from '$lib/ui/format';
	import { failed } from '$lib/ui/notify';
	import type { Entry } from '$lib/schema/records';

	const sessions = live(listSessions);
	let verified = $state<Record<string, ReturnType<typeof verifyChain>>>({});

	function outcome(entries: Entry[], ended: boolean): { mark: 'clear' | 'hold' | 'unseen'; words: string } {
		const decision = entries.findLast(
			({ payload }) => payload.kind === 'decision' && payload.task === 'flight',
		)?.payload;
		if (decision?.kind === 'decision' && decision.decision === 'fly')
			return { mark: 'clear', words: decision.reason ? `Flown: ${decision.reason}` : 'Flown, nothing in the way' };
		if (decision?.kind === 'decision') return { mark: 'hold', words: `Held: ${decision.reason || 'no reason given'}` };
		return { mark: 'unseen', words: ended ? 'Ended without a decision' : 'Open' };
	}
	async function save(id: string, title: string) {
		try {
			download(
				`session-${title.replace(/[^\p{L}\p{N}]+/gu, '-')}.json`,
				packSession(await readSessionFile(id)),
				'application/json',
			);
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page
	title="What was checked before each flight"
	name="Logbook"
	lead="Every entry is chained to the one before: a changed or missing one shows."
>
	{#if !sessions.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else}
		<ul class="m-0 list-none p-0">
			{#each sessions.current ?? [] as { session, aircraftName, entries } (session.id)}
				{@const result = outcome(entries, session.endedAt !== null)}
				{@const finding = verified[session.id]}
				<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-2 py-3 md:flex-nowrap">
					<Gate mark={result.mark} />
					<div class="min-w-0 flex-1 basis-60">
						<a href="/session/{session.id}/fly" class="text-[18px] font-semibold text-ink no-underline"
							>{session.title}</a
						>
						<span class="block text-ink-2"
							>{aircraftName} · {showDate(session.startedAt)}, {showTime(session.startedAt)} · {session.pilot} · {entries.length}
							entries</span
						>
						<span class="block">{result.words}</span>
						{#if finding}
							<span class="mt-1 block font-semibold {finding.ok ? 'text-clear' : 'text-hold'}" role="status">
								{finding.ok
									? `The chain of ${finding.entries} entries holds.`
									: `Entry ${finding.broken[0].seq + 1}: ${finding.broken[0].what}.`}
							</span>
						{/if}
					</div>
					<div class="flex flex-wrap gap-1">
						<Button kind="quiet" onclick={() => (verified[session.id] = verifyChain(entries, session.head))}
							>Verify</Button
						>
						<Button kind="quiet" href="/session/{session.id}/sheet">Sheet</Button>
						<Button kind="quiet" onclick={() => void save(session.id, session.title)}>Export</Button>
					</div>
				</li>
			{:else}
				<li>
					<Empty title="No session yet"><Button kind="primary" href="/session/new">Start a session</Button></Empty>
				</li>
			{/each}
		</ul>
	{/if}
</Page>
