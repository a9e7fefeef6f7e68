<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { localDay } from '$lib/words/calendar';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { loadSession } from '$lib/store/repository';
	import { listSessions } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { showDate } from '$lib/ui/format';
	import { canShare, givePdf } from '$lib/ui/pdf';
	import { preferences, units } from '$lib/ui/preferences.svelte';
	import { proofOf, proofPdf } from './proof';

	/** One page over several sessions, for a client or a claim: readable, dated, with what fixes each record. */
	const MOST = 200;
	const sessions = live(() => listSessions(MOST));
	let chosen = $state<string[]>([]);
	let what = $state('');
	let by = $state(preferences.pilot);
	const key = $derived(chosen.join(' '));
	const bundles = live(
		async () => (await Promise.all(chosen.map((id) => loadSession(id)))).filter((b) => b !== null),
		() => key,
	);
	const proofs = $derived(
		(bundles.current ?? [])
			.toSorted((a, b) => (a.session.startedAt < b.session.startedAt ? -1 : 1))
			.map((bundle) => proofOf(bundle, units())),
	);
	const toggle = (id: string, on: boolean) => (chosen = on ? [...chosen, id] : chosen.filter((c) => c !== id));

	function pdf(share: boolean) {
		const at = new Date().toISOString();
		return givePdf(proofPdf(proofs, { what, by, at }), `flights-${localDay(at)}.pdf`, share);
	}
</script>

<Page
	title={proofs.length > 0
		? `${proofs.length === 1 ? 'One session' : `${proofs.length} sessions`} on a page for others`
		: 'Choose the sessions that it is about'}
	name="For others"
	lead="For a client, a landowner, an insurer: who decided what on what evidence, and what fixes each record."
>
	{#snippet actions()}<Button href="/logbook">Logbook</Button>{/snippet}
	{#snippet margin()}
		<h2 class="mt-0 mb-1">What it proves</h2>
		<p>
			That these entries stood in this order when the head was given away. Keep the sessions’ files beside it: with them
			anybody can verify it.
		</p>
	{/snippet}
	{#if sessions.ready && (sessions.current ?? []).length === 0}
		<Empty title="No session yet"><Button kind="primary" href="/session/new">Start a session</Button></Empty>
	{:else}
		<div class="no-print">
			<div class="grid gap-4 sm:grid-cols-2">
				<TextField
					label="What it is for"
					maxlength={160}
					placeholder="Survey of the north shore, May"
					bind:value={what}
				/>
				<TextField label="Given by" maxlength={120} bind:value={by} />
			</div>
			<ul class="m-0 mt-3 list-none p-0" aria-label="Sessions">
				{#each sessions.current ?? [] as { session, aircraftName } (session.id)}
					<li class="hairline">
						<Checkbox checked={chosen.includes(session.id)} onchange={(on) => toggle(session.id, on)}
							><span class="min-w-0 flex-1"
								>{session.title}{session.kind === 'rehearsal' ? ' (rehearsal)' : ''}
								<span class="text-ink-2">{aircraftName}, {showDate(session.startedAt)}, {session.pilot}</span></span
							></Checkbox
						>
					</li>
				{/each}
			</ul>
			<div class="mt-4 flex flex-wrap gap-3">
				<Button kind="primary" disabled={proofs.length === 0} onclick={() => void pdf(false)}>Save as PDF</Button>
				{#if canShare()}<Button class="min-h-14" disabled={proofs.length === 0} onclick={() => void pdf(true)}
						>Share</Button
					>{/if}
				<Button class="min-h-14" disabled={proofs.length === 0} onclick={() => window.print()}>Print</Button>
			</div>
		</div>
		{#each proofs as { title, when, lines, chain }, k (k)}
			<section class="mt-6 break-inside-avoid border-t border-rule pt-3" aria-label={title}>
				<h2 class="m-0">{title}</h2>
				<p class="m-0 mb-2 font-semibold">{when}</p>
				<dl class="m-0 grid gap-x-6 sm:grid-cols-[10rem_minmax(0,1fr)]">
					{#each lines as { label, value }, k (k)}
						<dt class="text-ink-2">{label}</dt>
						<dd class="m-0 pb-1 wrap-anywhere">{value}</dd>
					{/each}
				</dl>
				<p class="m-0 mt-1 font-mono text-mini break-all">{chain}</p>
			</section>
		{/each}
	{/if}
</Page>
