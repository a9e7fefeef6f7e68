<script lang="ts">
	import { outcomeOfSession } from '$lib/core/session/outcome';
	import type { ChainFinding } from '$lib/core/record/chain';
	import ChainView from '$lib/features/running/ChainView.svelte';
	import HandOver from '$lib/features/running/HandOver.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import ExportSession from '$lib/features/running/ExportSession.svelte';
	import { live } from '$lib/store/live.svelte';
	import { deleteEmptySession } from '$lib/store/removal';
	import { listSessions, type LoggedSession } from '$lib/store/tables';
	import { counted } from '$lib/words/counted';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { showDate, showTime } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';

	const STEP = 40;
	let shown = $state(STEP);
	const sessions = live(
		() => listSessions(shown),
		() => shown,
	);
	/** What verifying found, for the head that was verified: a record that has changed since is to be verified again. */
	let verified = $state<Record<string, { finding: ChainFinding; head: string; updatedAt: string }>>({});
	let faults = $state<Record<string, string>>({});
	/** The session whose export is being looked at. */
	let exporting = $state.raw<{ id: string; title: string } | null>(null);

	const outcome = ({ decision, flew, session: { endedAt } }: LoggedSession) =>
		outcomeOfSession({ decision, flew, ended: endedAt !== null });
	async function check({ session, verify }: LoggedSession) {
		try {
			const finding = await verify();
			if (finding) verified[session.id] = { finding, head: session.head, updatedAt: session.updatedAt };
		} catch (error) {
			failed(error);
		}
	}

	async function remove({ session }: LoggedSession) {
		try {
			const undo = await deleteEmptySession(session.id);
			done(`${session.title} is deleted`, () => void undo().catch(failed));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page
	title="What was checked before each flight"
	name="Logbook"
	lead="Every entry is chained to the one before: slips and later edits show. A head kept elsewhere fixes the record."
>
	{#snippet actions()}<Button href="/logbook/proof">A page for others</Button>{/snippet}
	{#if !sessions.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else}
		<ul class="m-0 list-none p-0">
			{#each sessions.current ?? [] as logged (logged.session.id)}
				{@const { session, aircraftName, entryCount } = logged}
				{@const result = outcome(logged)}
				{@const found = verified[session.id]}
				<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-2 py-3 md:flex-nowrap">
					<MarkIcon mark={result.mark} />
					<div class="min-w-0 flex-1 basis-60">
						<a href="/session/{session.id}/fly" class="block text-ink no-underline hover:bg-fine">
							<span class="text-lead font-semibold">{session.title}</span>{#if session.kind === 'rehearsal'}<b
									class="ml-2 text-aside">rehearsal</b
								>{/if}
							<span class="block text-ink-2"
								>{aircraftName} · {showDate(session.startedAt)}, {showTime(session.startedAt)} · {session.pilot} · {counted(
									entryCount,
									'entry',
									'entries',
								)}</span
							>
							<span class="block">{result.words}</span>
						</a>
						{#if faults[session.id]}<p class="m-0 mt-1 font-semibold text-hold" role="alert">
								Saved as it stands, but it cannot be imported again: {faults[session.id]}
							</p>{/if}
						{#if found && found.updatedAt === session.updatedAt}
							<div class="mt-2" role="status">
								<ChainView chain={found.finding} head={found.head} />
								{#if found.finding.ok}<details class="mt-2">
										<summary class="cursor-pointer font-semibold text-action">Hand the head over</summary>
										<div class="mt-2"><HandOver title={session.title} at={session.startedAt} head={found.head} /></div>
									</details>{/if}
							</div>
						{/if}
					</div>
					<div class="flex flex-wrap gap-1">
						{#if logged.empty}<Button kind="quiet" onclick={() => void remove(logged)}>Delete: nothing is in it</Button
							>{/if}
						<Button kind="quiet" onclick={() => void check(logged)}>Verify</Button>
						<Button kind="quiet" href="/session/{session.id}/sheet">Sheet</Button>
						<Button kind="quiet" onclick={() => (exporting = session)}>Export</Button>
					</div>
				</li>
			{:else}
				<li>
					<Empty title="No session yet"><Button kind="primary" href="/session/new">Start a session</Button></Empty>
				</li>
			{/each}
		</ul>
		{#if sessions.current?.length === shown}
			<div class="mt-4"><Button onclick={() => (shown += STEP)}>Show earlier sessions</Button></div>
		{/if}
	{/if}
</Page>

{#if exporting}{@const { id, title } = exporting}<ExportSession
		{id}
		{title}
		bind:open={() => exporting !== null, (open) => (exporting = open ? exporting : null)}
		onsaved={(fault) => (faults[id] = fault ?? '')}
	/>{/if}
