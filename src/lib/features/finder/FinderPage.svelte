<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { named } from '$lib/ui/options';
	import { begunLarge } from '$lib/words/begun';
	import { page } from '$app/state';
	import Search from '@lucide/svelte/icons/search';
	import { saidOf } from '$lib/core/symptoms/asked';
	import { fittingTo, TABLE, type Phase, type SymptomTest } from '$lib/core/symptoms/table';
	import { ALSO_DONE_WITH, RECENT_WORDS, PHASE_WORDS, SYMPTOM_KIND_WORDS, WITHHELD_WORDS } from './finderWords';
	import SaveDialog from '$lib/features/instruments/SaveDialog.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import {
		PHASES,
		recentEventSchema,
		symptomKindSchema,
		type SymptomAnswer,
		type SymptomEvidence,
	} from '$lib/schema/symptoms';
	import { live } from '$lib/store/live.svelte';
	import { inUse, listAircraft } from '$lib/store/tables';
	import { appendEntry, loadSession, noteEvent } from '$lib/store/repository';
	import type { EventKind } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { FinderState } from './finderState.svelte';

	/** Causes behind what it does, the next check, and what to do after the remedy. */
	const now = new Date().toISOString();
	const fleet = live(async () => inUse(await listAircraft()));
	const asked = page.url.searchParams;
	const sessionId = asked.get('session');
	let aircraftId = $state(asked.get('aircraft') ?? '');
	let said = $state('');
	let saving = $state(false);
	let whole = $state<string | null>(null);
	const work = new FinderState();
	$effect(() => () => work.dispose());

	const half = keepDraft(
		// One draft for each sign of each aircraft in each session: another sign begins its own.
		['finder', ...['aircraft', 'session', 'sign', 'about'].map((name) => asked.get(name) ?? '')].join(' '),
		() => (work.begun ? { aircraftId, request: $state.snapshot(work.request) } : null),
		(kept) => {
			if (!kept || typeof kept !== 'object' || !('request' in kept)) return;
			if (work.restore(kept.request) && 'aircraftId' in kept && typeof kept.aircraftId === 'string')
				aircraftId = kept.aircraftId;
		},
	);
	let taken = '';
	$effect(() => {
		const found = fleet.current?.find(({ id }) => id === aircraftId);
		if (!found || taken === found.id) return;
		taken = found.id;
		if (!work.begun) work.take(found, now);
		const sign = asked.get('sign');
		// A sign that such an aircraft cannot show is not told: the pilot says what it does.
		const fits = fittingTo(work.request).observations.some(({ id }) => id === sign);
		if (sign && fits && !work.request.observations.some(({ id }) => id === sign)) work.tell(sign, 'present');
	});
	$effect(() => {
		const sign = asked.get('sign');
		if (sign && !aircraftId && !work.begun && fleet.ready) {
			const kind = symptomKindSchema.options.find((k) =>
				fittingTo({ kind: k, has: {} }).observations.some((o) => o.id === sign),
			);
			if (kind) {
				work.takeKind(kind);
				work.tell(sign, 'present');
			}
		}
	});

	const fitting = $derived(fittingTo(work.request));
	const textOf = $derived(new Map(fitting.observations.map(({ id, text }) => [id, text])));
	const told = $derived(new Map(work.request.observations.map((o) => [o.id, o])));
	const found = $derived(saidOf(fitting.observations, said).filter(({ id }) => !told.has(id)));
	const groups = $derived(
		PHASES.map((phase) => ({ phase, signs: found.filter(({ when }) => when === phase) })).filter(
			({ signs }) => signs.length > 0,
		),
	);
	const { answer } = $derived(work);
	const testOf = (id: string): SymptomTest | undefined => TABLE.tests.find((t) => t.id === id);
	const next = $derived(answer?.next ? testOf(answer.next.test) : undefined);

	/** Where the product does a check; null where it is done by hand. */
	function hrefOf({ id: test, link = ALSO_DONE_WITH[test] }: Pick<SymptomTest, 'id' | 'link'>): string | null {
		if (!link) return null;
		const [kind, id] = link.split(':');
		if (kind === 'instrument') return `/instruments/${id}`;
		if (kind === 'aircraft' && aircraftId) return `/aircraft/${aircraftId}/settings`;
		if (kind === 'guide' && aircraftId) return `/aircraft/${aircraftId}/guide/${id}`;
		if (kind === 'station' && sessionId) return `/session/${sessionId}/${id}`;
		return null;
	}
	function evidenceWords({ from, id }: SymptomEvidence): string {
		if (from === 'observation') {
			const state = told.get(id ?? '')?.state;
			return `${state === 'absent' ? 'not seen: ' : ''}${textOf.get(id ?? '') ?? id}`;
		}
		if (from === 'test') {
			const test = testOf(id ?? '');
			const outcome = work.request.tests.find((t) => t.id === id)?.outcome;
			return `${test?.text ?? id}: ${test?.outcomes.find((o) => o.id === outcome)?.text ?? outcome}`;
		}
		if (from === 'remedy') return 'what was mended';
		if (from === 'response') return 'the ground response';
		return 'what was not told though it would have been seen';
	}
	/** What must not wait for the margin. */
	function cautionOf({ danger }: SymptomAnswer): string {
		if ((danger.fire ?? 0) > TABLE.limits.fire)
			return 'It may be a short: pack off, and away from anything that burns. Look and measure before it is powered again.';
		if (danger.locked)
			return 'Disarm, disconnect, propellers off. Nothing with propellers on until it is mended, its checks are done again, and a new run is begun here.';
		if ((danger.level3 ?? 0) > TABLE.limits.groundDanger3)
			return 'It may be something that hurts somebody or flies away: propellers off until it is mended.';
		return '';
	}
	const percent = (p: number) => `${(100 * p).toFixed(0)} %`;
	const minutes = (m: number) => `${Math.round(m)} min`;

	const MENDED: readonly { what: EventKind; label: string }[] = [
		{ what: 'part', label: 'A part was changed or refitted' },
		{ what: 'settings', label: 'A setting was changed' },
		{ what: 'firmware', label: 'The software was updated' },
	];
	async function mended(what: EventKind, note: string) {
		if (!aircraftId) return;
		try {
			await noteEvent(aircraftId, { what, note }, sessionId ?? undefined);
			done('Noted; what it may have undone is asked again');
		} catch (error) {
			failed(error);
		}
	}
	async function keep() {
		const payload = work.payload();
		if (!payload) return;
		if (!sessionId) {
			saving = true;
			return;
		}
		try {
			const bundle = await loadSession(sessionId);
			if (!bundle) throw new Error('The session is not on this device any more.');
			const rehearsed = bundle.session.kind === 'rehearsal' ? ({ ...payload, grade: 'rehearsed' } as const) : payload;
			await appendEntry(sessionId, bundle.session.place.station, bundle.session.pilot, rehearsed);
			done('Kept in the session');
		} catch (error) {
			failed(error);
		}
	}

	/** An aircraft by its id, or one of a kind. */
	function takeAircraft(value: string) {
		const craft = fleet.current?.find(({ id }) => id === value);
		aircraftId = craft?.id ?? '';
		taken = aircraftId;
		if (craft) work.take(craft, now);
		else {
			const kind = symptomKindSchema.safeParse(value.replace('kind ', ''));
			if (kind.success) work.takeKind(kind.data);
		}
	}
</script>

<Page
	title={work.title}
	name="What does it do?"
	lead={answer
		? answer.stop.text
		: 'Say what you see, hear or read: causes with their reasons, and the cheapest safe check next.'}
>
	{#snippet actions()}
		{#if work.begun}
			{#if answer}<Button onclick={() => void keep()}
					>{sessionId ? 'Keep it in the session' : 'Keep it in the record'}</Button
				>{/if}
			<Button kind="quiet" onclick={() => (work.startOver(), half.forget(), (whole = null))}>Start over</Button>
		{/if}
		{#if sessionId}<Button href="/session/{sessionId}">Back to the session</Button>{/if}
	{/snippet}
	{#snippet margin()}
		{#if answer}
			<h2 class="mt-0 mb-1">What stands behind it</h2>
			<Reasons reasons={answer.reasons} />
			{#if answer.noneOfThese !== null}
				<p class="text-small text-ink-2">
					None of what is known here: {percent(answer.noneOfThese)}. All figures are judgement worked out, not counted
					in the field.
				</p>
			{/if}
			{#if answer.withheld.length > 0}
				<h2 class="mt-5 mb-1">Not now</h2>
				<ul class="m-0 list-none p-0">
					{#each answer.withheld as { test, why } (test)}
						<li class="hairline py-2 text-small">{testOf(test)?.text}: <b>{WITHHELD_WORDS[why]}</b></li>
					{/each}
				</ul>
			{/if}
		{:else}
			<h2 class="mt-0 mb-1">How it works</h2>
			<p>
				Every sign makes some causes likelier and others less; what you do not tell though you would have seen it counts
				too. The next check is the one that tells most for its minutes and its risk.
			</p>
			<p class="text-ink-2">Nothing here replaces the maker’s manual, and no answer makes an aircraft ready to fly.</p>
		{/if}
	{/snippet}

	<div class="flex flex-wrap items-end gap-4">
		<Select
			label="Aircraft"
			value={aircraftId || `kind ${work.request.kind}`}
			options={[
				...named(fleet.current ?? []),
				...symptomKindSchema.options.map((kind) => ({ value: `kind ${kind}`, label: SYMPTOM_KIND_WORDS[kind] })),
			]}
			onchange={takeAircraft}
		/>
		<Choice
			label="Where you are"
			value={work.request.place}
			options={[
				{ value: 'any', label: 'Anywhere' },
				{ value: 'bench', label: 'At the bench' },
				{ value: 'field', label: 'In the field' },
			]}
			onchange={(place) => work.at(place)}
		/>
	</div>
	<details class="mt-3">
		<summary class="min-h-11 cursor-pointer py-2 text-action">
			What happened to it lately: {work.request.recent.length > 0
				? work.request.recent.map((event) => RECENT_WORDS[event].toLowerCase()).join(', ')
				: 'nothing said'}
		</summary>
		<div class="flex flex-wrap gap-2">
			{#each recentEventSchema.options as event (event)}
				{@const on = work.request.recent.includes(event)}
				<Button
					aria-pressed={on}
					kind={on ? 'primary' : 'plain'}
					class="min-h-11"
					onclick={() =>
						work.lately(on ? work.request.recent.filter((e) => e !== event) : [...work.request.recent, event])}
					>{RECENT_WORDS[event]}</Button
				>
			{/each}
		</div>
	</details>

	{#if work.request.observations.length > 0}
		<ul class="m-0 mt-4 list-none p-0" aria-label="What was told">
			{#each work.request.observations as { id, state } (id)}
				<li class="hairline flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
					<span class="min-w-0 flex-1 basis-60"
						>{#if state !== 'present'}<b>{state === 'absent' ? 'Not seen:' : 'Don’t know:'}</b>{/if}
						{textOf.get(id)}</span
					>
					<Button kind="quiet" onclick={() => work.untell(id)}>Take it back</Button>
				</li>
			{/each}
		</ul>
	{/if}

	{#if answer}
		{@const caution = cautionOf(answer)}
		{#if caution}<div class="mt-4 max-w-read"><Caution>{caution}</Caution></div>{/if}
		{#if answer.handOver}
			<p class="mt-4 mb-0 max-w-read">
				{answer.handOver.why}
				<a href="/instruments/ground-response">Enter the nudges</a>
			</p>
		{/if}
		{#each answer.questions as { id, text } (id)}
			<div class="hairline flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
				<span class="min-w-0 flex-1 basis-60 text-lead">{text}?</span>
				<span class="flex gap-2">
					<Button onclick={() => work.tell(id, 'present', true)}>Yes</Button>
					<Button onclick={() => work.tell(id, 'absent', true)}>No</Button>
					<Button kind="quiet" onclick={() => work.tell(id, 'unknown', true)}>Don’t know</Button>
				</span>
			</div>
		{/each}
		{#if next && answer.next}
			{@const link = hrefOf(next)}
			<section class="mt-5 rounded border border-ink px-5 py-4" aria-labelledby="next">
				<p class="m-0 text-small text-ink-2">
					Next check, about {minutes(answer.next.costMinutes)}{answer.next.before
						? ` with the one that it comes before: ${testOf(answer.next.before)?.text.toLowerCase()}`
						: ''}
				</p>
				<h2 id="next" class="mt-0 mb-2">{next.text}</h2>
				<Caution>{next.caution}</Caution>
				<div class="mt-3 flex flex-wrap gap-2" role="group" aria-label="What it showed">
					{#each next.outcomes as outcome (outcome.id)}
						<Button class="min-h-14 text-left" onclick={() => work.tested(next.id, outcome.id)}
							>{begunLarge(outcome.text)}</Button
						>
					{/each}
				</div>
				<div class="mt-2 flex flex-wrap gap-2">
					{#if link}<Button kind="quiet" href={link}>Open it</Button>{/if}
					<Button kind="quiet" onclick={() => work.skip(next.id)}>Another check</Button>
				</div>
			</section>
		{/if}
		{#if work.request.tests.length > 0}
			<h2 class="mt-5 mb-1">Checked</h2>
			<ul class="m-0 list-none p-0">
				{#each work.request.tests as { id, outcome } (id)}
					<li class="hairline flex flex-wrap items-center gap-x-3 py-1.5">
						<span class="min-w-0 flex-1 basis-60"
							>{testOf(id)?.text}: <b>{testOf(id)?.outcomes.find((o) => o.id === outcome)?.text}</b></span
						>
						<Button kind="quiet" onclick={() => work.tested(id, null)}>Take it back</Button>
					</li>
				{/each}
			</ul>
		{/if}
		<h2 class="mt-5 mb-1">What it could be</h2>
		<ol class="m-0 list-none p-0" aria-busy={work.busy}>
			{#each answer.ranked as cause (cause.cause)}
				{@const open = whole === cause.cause}
				<li class="hairline py-2">
					<button
						type="button"
						class="grid min-h-11 w-full grid-cols-[minmax(0,1fr)_110px_52px] items-center gap-3 text-left max-md:grid-cols-[minmax(0,1fr)_52px]"
						aria-expanded={open}
						onclick={() => (whole = open ? null : cause.cause)}
					>
						<span class="text-lead {cause.danger === 3 ? 'font-semibold' : ''}">{cause.text}</span>
						<svg viewBox="0 0 100 9" preserveAspectRatio="none" class="h-[9px] w-full max-md:hidden" aria-hidden="true">
							<rect width="100" height="9" fill="var(--fine)" /><rect
								width={100 * cause.probability}
								height="9"
								fill="var(--ink)"
							/>
						</svg>
						<span class="num text-note">{percent(cause.probability)}</span>
					</button>
					{#if open}
						<div class="grid gap-2 pt-1 pb-3 text-small">
							{#if cause.for.length > 0}<p class="m-0">
									<b>For it:</b>
									{cause.for.map(evidenceWords).join('; ')}.
								</p>{/if}
							{#if cause.against.length > 0}<p class="m-0">
									<b>Against it:</b>
									{cause.against.map(evidenceWords).join('; ')}.
								</p>{/if}
							<p class="m-0"><b>Remedy:</b> {cause.remedy}</p>
							{#if cause.repeat.length > 0}<p class="m-0">
									<b>Then again:</b>
									{cause.repeat.map(({ text }) => text.toLowerCase()).join('; ')}.
								</p>{/if}
							{#if cause.alsoWith}<p class="m-0 text-ink-2">
									It may come with another: {answer.ranked
										.find((r) => r.cause === cause.alsoWith?.cause)
										?.text.toLowerCase() ?? 'one more'} ({percent(cause.alsoWith.probability)}).
								</p>{/if}
							<div class="flex flex-wrap gap-2">
								<Button onclick={() => work.remedied(cause.cause, 'gone')}>Mended, and it is gone</Button>
								<Button onclick={() => work.remedied(cause.cause, 'persists')}>Mended, and it still does it</Button>
							</div>
							{#if aircraftId && work.request.remedies.some((r) => r.cause === cause.cause)}
								<div class="flex flex-wrap items-center gap-2">
									<span class="text-ink-2">Note in its record what was done:</span>
									{#each MENDED as { what, label } (what)}
										<Button
											kind="quiet"
											onclick={() => void mended(what, `${cause.text}: ${cause.remedy}`.slice(0, 400))}>{label}</Button
										>
									{/each}
								</div>
							{/if}
						</div>
					{/if}
				</li>
			{:else}
				<li class="hairline py-2">Nothing known here fits what was told.</li>
			{/each}
		</ol>
	{/if}

	<h2 class="mt-6 mb-2">{work.begun ? 'What else does it do?' : 'What do you see, hear or read?'}</h2>
	<div class="flex max-w-xl items-center gap-3">
		<Search size={20} aria-hidden="true" />
		<TextField
			label="Search symptoms"
			quiet
			type="search"
			placeholder="circles, will not arm, hot motor …"
			bind:value={said}
		/>
	</div>
	{#each groups as { phase, signs } (phase)}
		<details class="mt-2" open={said.trim() !== ''}>
			<summary class="min-h-11 cursor-pointer py-2 font-semibold"
				>{PHASE_WORDS[phase as Phase]} <span class="font-normal text-ink-2">({signs.length})</span></summary
			>
			<ul class="m-0 grid list-none gap-x-6 p-0 md:grid-cols-2">
				{#each signs as { id, text } (id)}
					<li class="hairline">
						<button
							type="button"
							class="min-h-12 w-full py-2 text-left text-action hover:bg-fine"
							onclick={() => (work.tell(id, 'present'), (said = ''))}>{text}</button
						>
					</li>
				{/each}
			</ul>
		</details>
	{:else}
		<p class="max-w-prose">Nothing here is called “{said}”. Say it in other words: turns, drifts, blinks, hot, low.</p>
	{/each}
</Page>

<SaveDialog bind:open={saving} siteId={null} {aircraftId} payload={() => work.payload()} />
