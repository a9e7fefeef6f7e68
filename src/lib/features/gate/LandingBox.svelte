<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import type { PhotoLanding } from '$lib/core/return/markPhoto';
	import { landingsIn, reviewLandings } from '$lib/core/return/landing';
	import { formatQuantity, toUnit, unitSymbol } from '$lib/words/units';
	import { lastFlights } from '$lib/store/home';
	import { live } from '$lib/store/live.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Directions from '$lib/ui/Directions.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { done, failed } from '$lib/ui/notify';
	import LandingMap from '$lib/ui/plot/LandingMap.svelte';
	import { preferences, units } from '$lib/ui/preferences.svelte';
	import { refuseInvalid } from '$lib/ui/refuse';
	import MarkPhoto from './MarkPhoto.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	/** Where it came down against its mark, beside the landings before: one entry a landing, asked for once after each. */
	let { sinceSeq }: { sinceSeq: number } = $props();
	const view = getSessionView();
	let by = $state<'paces' | 'tape' | 'photo'>('paces');
	let onPhoto = $state.raw<{ landing: PhotoLanding; how: 'paces' | 'tape' } | null>(null);
	let amount = $state<number | null>(null);
	let bearingDeg = $state<number | null>(null);
	let circling = $state(false);
	let more = $state(false);
	let busy = $state(false);

	const { aircraft, session } = $derived(view.bundle);
	const earlier = live(async () => {
		const flights = view.rehearsal ? [] : await lastFlights(aircraft.id);
		const others = flights.filter(({ entries }) => entries[0]?.sessionId !== session.id);
		// Latest first, as they come; the review wants the latest last.
		return others.toReversed().flatMap(({ entries }) => landingsIn(entries.toSorted((a, b) => a.seq - b.seq)));
	});
	const own = $derived(landingsIn(view.state.record.entries));
	const measured = $derived(
		view.bundle.entries.some(
			({ seq, payload }) => seq > sinceSeq && payload.kind === 'flight' && payload.what === 'touched-down',
		),
	);
	const review = $derived(
		reviewLandings({
			receiver: aircraft.receiver ?? 'plain',
			barometer: true,
			stepM: preferences.stepM,
			points: [...(earlier.current ?? []), ...own].slice(-200),
			...(view.wind ? { wind: view.wind } : {}),
		}),
	);
	/** One power-up, one stored home. */
	const powerUp = $derived(
		`${session.id} ${view.bundle.entries.filter(({ payload }) => payload.kind === 'event' && payload.what === 'unplugged').length}`,
	);
	const complete = $derived(by === 'photo' ? onPhoto !== null : amount !== null && bearingDeg !== null);
	const head = $derived.by(() => {
		const [worst] = review.reasons;
		if (review.n === 0) return 'Where did it come down?';
		if (review.verdict !== 'pass') return worst.text;
		return `It lands within ${formatQuantity(review.radius.r95M ?? 0, 'height', units())} of its mark, nineteen times in twenty`;
	});

	/** What was measured, by whichever means; a photo is taken as no better than the usual way it is as good as. */
	function taken() {
		if (by === 'photo') {
			if (!onPhoto) return null;
			const { distanceM, bearingDeg: toward, sigmaM } = onPhoto.landing;
			return { distanceM, toward, how: onPhoto.how, words: `a photo of the mark, ± ${sigmaM.toFixed(2)} m` };
		}
		if (amount === null || bearingDeg === null) return null;
		const distanceM = by === 'paces' ? amount * preferences.stepM : amount;
		return { distanceM, toward: bearingDeg, how: by, words: by };
	}

	async function record() {
		const found = taken();
		if (!found || busy) return;
		busy = true;
		const { distanceM, toward, how, words } = found;
		try {
			await view.record('fly', {
				kind: 'flight',
				task: 'flying',
				what: 'touched-down',
				landAfterMin: null,
				note: `${distanceM.toFixed(1)} m toward ${toward.toFixed(0)}° from the mark, by ${words}${circling ? ', circling on the way down' : ''}`,
				landing: { distanceM, bearingDeg: toward, how, powerUp, circling },
			});
			[amount, bearingDeg, circling, onPhoto] = [null, null, false, null];
			done('Landing recorded');
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

<section class="my-4 border-t border-rule pt-4" aria-label="Where it came down">
	<h2 class="m-0">{head}</h2>
	{#if !measured && !view.readOnly}
		<p class="mt-1 mb-3 max-w-read text-small text-ink-2">
			After a return by itself: from the mark to where it stands. Leave it out after a landing by hand. Several
			landings, each after its own power-up, show how far to trust it.
		</p>
		<form
			{@attach refuseInvalid}
			class="grid gap-4"
			onsubmit={(event) => {
				event.preventDefault();
				void record();
			}}
		>
			<div class="flex flex-wrap items-start gap-5">
				<Choice
					label="Measured by"
					value={by}
					options={[
						{ value: 'paces', label: 'Steps' },
						{ value: 'tape', label: 'Tape' },
						{ value: 'photo', label: 'Photo of the mark' },
					]}
					onchange={(how) => (by = how)}
				/>
				{#if by !== 'photo'}
					<Quantity
						label="From the mark"
						of={by === 'paces' ? undefined : 'height'}
						unit="steps"
						min={0}
						max={5000}
						value={amount}
						note={by === 'paces'
							? `a step is ${toUnit(preferences.stepM, 'height', units()).toFixed(2)} ${unitSymbol('height', units())}`
							: ''}
						onchange={(v) => (amount = v)}
					/>
					<NumberField
						label="Toward"
						unit="°"
						min={0}
						max={360}
						value={bearingDeg}
						note="from true north, or choose"
						onchange={(v) => (bearingDeg = v)}
					/>
				{/if}
			</div>
			{#if by === 'photo'}
				<MarkPhoto onmeasured={(found) => (onPhoto = found)} />
			{:else}
				<Directions label="Toward, by direction" value={bearingDeg} onchange={(deg) => (bearingDeg = deg)} />
			{/if}
			<Checkbox bind:checked={circling} label="It circled on the way down" />
			<div><Button type="submit" class="min-h-14" disabled={!complete || busy}>Record the landing</Button></div>
		</form>
	{/if}
	{#if review.n > 0}
		<div class="mt-4 grid gap-6 md:grid-cols-[minmax(0,320px)_minmax(0,1fr)]">
			<LandingMap
				points={[...(earlier.current ?? []), ...own]}
				offset={review.meanOffset}
				barM={review.barM}
				windFromDeg={view.wind?.fromDeg ?? null}
			/>
			<div>
				<p class="mt-0 mb-2">
					{review.n === 1 ? 'One landing' : `${review.n} landings`}, {review.powerUps === 1
						? 'one power-up'
						: `${review.powerUps} power-ups`}. Half of those to come within {formatQuantity(
						review.radius.r50M ?? 0,
						'height',
						units(),
					)}
					({toUnit(review.radius.r50LowM ?? 0, 'height', units()).toFixed(1)} to {toUnit(
						review.radius.r50HighM ?? 0,
						'height',
						units(),
					).toFixed(1)}), nineteen in twenty within {formatQuantity(review.radius.r95M ?? 0, 'height', units())}
					({toUnit(review.radius.r95LowM ?? 0, 'height', units()).toFixed(1)} to {toUnit(
						review.radius.r95HighM ?? 0,
						'height',
						units(),
					).toFixed(1)}).
				</p>
				{#if review.more}
					<p class="m-0 mb-2 font-semibold">
						{review.more.landings} more, each after a power-up of its own, would settle it.
					</p>
				{/if}
				{#each review.suspicion as { why, next }, k (k)}
					<p class="m-0 mb-2">{why} <b>{next}</b></p>
				{/each}
				<Button kind="quiet" aria-expanded={more} onclick={() => (more = !more)}>{more ? 'Less' : 'Why'}</Button>
				{#if more}<Reasons reasons={review.reasons} />{/if}
			</div>
		</div>
	{/if}
</section>
