<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { clock } from '$lib/words/clock';
	import { refusedIn } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { showClock, showTime } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { say, tone } from '$lib/ui/speech';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	import { untrack } from 'svelte';
	import { flightsOf } from '$lib/core/evidence/flights';
	import { BY_HAND } from '$lib/core/session/currency';
	import { comesHome, hasPart } from '$lib/core/aircraft/capabilities';
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import { FlightTimer } from './flightTimer.svelte';
	import LandingBox from './LandingBox.svelte';

	/** The flying screen: one large clock, when to be down, "landed", and a note by one tap. */
	const view = getSessionView();
	const NOTES = [BY_HAND, 'Gusts', 'It drifted', 'It circled', 'Picture lost', 'Link weak', 'Bumped'] as const;

	const { pack } = $derived(view.bundle);
	let typedMin = $state<number | null>(null);
	/** When to land and to turn back if it takes off now. */
	const times = $derived(view.clockFrom(typedMin));
	const landAfterMin = $derived(times.landByMin === null ? null : Math.round(10 * times.landByMin) / 10);
	const pctWords = $derived(times.startPct === null ? '' : ` from ${times.startPct.toFixed(0)} %`);
	const SOURCES = {
		flights: 'by flights on record: nine in ten last longer',
		stated: 'by the flight time stated for this battery',
		typed: '',
		return: 'turn back in time and fly home: by the return plan',
		none: 'empty: watch the voltage',
	} as const;
	const source = $derived(
		times.landBy === 'typed' || times.landBy === 'none' ? SOURCES[times.landBy] : `${SOURCES[times.landBy]}${pctWords}`,
	);
	/** Nothing is left of the flight: land at once would be the first word. */
	const spent = $derived(landAfterMin !== null && landAfterMin <= 0);
	/** The battery was flown and nobody measured it since. */
	const unmeasured = $derived((view.ledger?.flownSinceMin ?? 0) > 0);
	let cellV = $state<number | null>(null);
	const inPct = $derived(pack?.chemistry === 'percent');
	const tookOff = $derived(view.state.flight.tookOff);
	const landed = $derived(view.state.flight.landed);
	const flying = $derived(tookOff !== null && (landed?.seq ?? -1) < tookOff.seq);
	const lastFlight = $derived(flightsOf(view.bundle.entries).findLast(({ landed: end }) => end !== null));
	const limitMin = $derived(tookOff?.payload.kind === 'flight' ? tookOff.payload.landAfterMin : null);
	const notes = $derived(
		view.bundle.entries.filter(
			({ payload, seq }) => payload.kind === 'flight' && payload.what === 'note' && seq > (tookOff?.seq ?? Infinity),
		),
	);
	let panel = $state<HTMLElement>();
	const timer = new FlightTimer();
	const elapsedS = $derived(timer.counted.elapsedS);
	let words = $state('');
	let busy = $state(false);
	const leftS = $derived(limitMin === null ? null : Math.round(60 * limitMin - elapsedS));
	/** The time of day, by the clock of the device, when so many seconds are left. */
	const timeIn = (s: number) => showTime(new Date(timer.counted.wallMs + 1000 * s).toISOString());
	const stepMin = $derived(Math.round(timer.counted.stepS / 60));

	$effect(() => {
		const takeoff = flying ? tookOff : null;
		return takeoff ? untrack(() => timer.run(takeoff)) : undefined;
	});
	/** Seconds left to turn back, as computed at takeoff; null where no return was planned. */
	const leftToTurn = $derived.by(() => {
		const payload = tookOff?.payload;
		const minutes = payload?.kind === 'flight' ? payload.turnBackMin : null;
		return flying && typeof minutes === 'number' ? Math.round(60 * minutes - elapsedS) : null;
	});
	const turned = $derived(leftToTurn !== null && leftToTurn <= 0);
	$effect(() => {
		if (turned && stage !== 'over') say('Turn back.');
	});
	/** Said once each while eyes are on the aircraft. */
	const stage = $derived(leftS === null || !flying ? '' : leftS <= 0 ? 'over' : leftS <= 60 ? 'minute' : '');
	$effect(() => {
		if (stage === 'minute') say('One minute left. Come back.');
		else if (stage === 'over') {
			tone('wrong');
			say('Land now.');
		}
	});

	/** The battery at rest between two flights on it. */
	async function measure() {
		if (cellV === null || busy || refusedIn(panel)) return;
		busy = true;
		try {
			await view.record('fly', {
				kind: 'check',
				task: 'pack-between',
				outcome: 'done',
				value: cellV,
				unit: inPct ? '%' : 'V per cell',
				waitedS: null,
				reason: '',
				grade: view.grade('read-off'),
			});
			cellV = null;
			done('Battery recorded');
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}

	async function write(what: 'took-off' | 'landed' | 'note', note = '') {
		if (busy || refusedIn(panel)) return;
		busy = true;
		if (what === 'landed') timer.tick();
		const { elapsedS: airborneS, stepS } = timer.counted;
		try {
			await view.record('fly', {
				kind: 'flight',
				task: 'flying',
				what,
				note,
				landAfterMin: what === 'took-off' && landAfterMin !== null && landAfterMin > 0 ? landAfterMin : null,
				...(what === 'took-off'
					? {
							turnBackMin: times.turnBackMin,
							clock: { landBy: times.landBy, turnBack: times.turnBack, startPct: times.startPct },
						}
					: {}),
				...(what === 'landed' ? { airborneS: Math.round(10 * airborneS) / 10 } : {}),
				...(what === 'landed' && stepS !== 0 ? { clockStepS: Math.round(stepS) } : {}),
			});
			if (what === 'took-off') {
				typedMin = null;
				say('Off the ground.');
			} else if (what === 'landed') {
				timer.forget();
				done('Landing recorded');
			} else done('Note recorded');
			words = '';
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

<section bind:this={panel} class="mt-4 rounded border border-ink px-5 py-4" aria-label="The flight">
	{#if flying && tookOff}
		<div class="flex flex-wrap items-end gap-x-10 gap-y-3">
			<div>
				<p class="m-0 text-small text-ink-2">In the air for</p>
				<p class="figure-mono m-0 text-giant leading-none font-bold" role="timer">
					{showClock(elapsedS)}
				</p>
			</div>
			{#if leftS !== null}
				<div>
					<p class="m-0 text-small text-ink-2">Land by {timeIn(leftS)}</p>
					<p class="figure-mono m-0 text-figure leading-none font-bold {leftS <= 60 ? 'text-hold' : ''}">
						{leftS < 0 ? '−' : ''}{showClock(Math.abs(leftS))}
					</p>
				</div>
			{/if}
			{#if leftToTurn !== null}
				<div>
					<p class="m-0 text-small text-ink-2">Turn back by {timeIn(leftToTurn)}</p>
					<p class="figure-mono m-0 text-figure leading-none font-bold {leftToTurn <= 0 ? 'text-hold' : ''}">
						{leftToTurn < 0 ? '−' : ''}{showClock(Math.abs(leftToTurn))}
					</p>
				</div>
			{/if}
			{#if leftS === null}<p class="m-0 max-w-brief font-semibold text-caution">
					No flight time is known for this battery. Watch its voltage.
				</p>{/if}
		</div>
		{#if stepMin !== 0}<p class="mt-3 mb-0 max-w-read font-semibold text-caution" role="status">
				The clock of this device {stepMin > 0 ? 'jumped ahead' : 'was set back'} by {Math.abs(stepMin)} min.
				{stepMin > 0
					? 'The flight time does not include it. If the device was asleep, land by your watch.'
					: 'The flight time is not affected.'}
			</p>{/if}
		<div class="mt-4"><Button kind="primary" disabled={busy} onclick={() => void write('landed')}>Landed</Button></div>
		<div class="mt-4 flex flex-wrap gap-2">
			{#each NOTES as note (note)}<Button class="min-h-14" disabled={busy} onclick={() => void write('note', note)}
					>{note}</Button
				>{/each}
		</div>
		<form
			class="mt-3 flex max-w-xl gap-2"
			onsubmit={(event) => {
				event.preventDefault();
				if (words.trim()) void write('note', words.trim());
			}}
		>
			<div class="flex-1">
				<TextField label="Note" quiet maxlength={400} placeholder="Your own note" bind:value={words} />
			</div>
			<Button type="submit" disabled={busy}>Note</Button>
		</form>
		<details class="mt-3">
			<summary class="min-h-11 cursor-pointer py-2 font-semibold text-action">If it goes wrong</summary>
			<AbortCard
				aircraft={view.bundle.aircraft}
				large
				upside={hasPart(view.bundle.aircraft, 'self-righting') ? view.href('hover', 'self-righting') : ''}
			/>
			<div class="mt-2"><Button class="min-h-14" href="/lost?session={view.bundle.session.id}">It is lost</Button></div>
		</details>
		{#if notes.length > 0}
			<ul class="mt-3 mb-0 list-none p-0">
				{#each notes.toReversed() as { id, at, payload } (id)}
					<li class="hairline py-1.5">
						<span class="figure-mono text-ink-2">{showTime(at)}</span>
						{payload.kind === 'flight' ? payload.note : ''}
					</li>
				{/each}
			</ul>
		{/if}
	{:else if landed && tookOff}
		<p class="m-0 text-step">
			{#if lastFlight?.minutes !== null && lastFlight?.minutes !== undefined}
				In the air for <b class="figure-mono">{showClock(60 * lastFlight.minutes)}</b>, landed at {showTime(landed.at)}.
			{:else}
				Landed at {showTime(landed.at)}. Flight time not known: the clock of this device was moved.
			{/if}
		</p>
		<p class="mt-1 mb-3 text-ink-2">What the flight taught goes into Close: pack, temperatures, bumps.</p>
		{#if comesHome(view.bundle.aircraft)}<LandingBox sinceSeq={landed.seq} />{/if}
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" href={view.href('close')}>Go on to Close</Button>
		</div>
		<div class="mt-4 flex flex-wrap items-end gap-3 border-t border-rule pt-4">
			{@render again()}
			<Button class="mb-6 min-h-14" disabled={busy} onclick={() => void write('took-off')}>Take off again</Button>
		</div>
	{:else}
		<Caution>Stop means land, disarm and disconnect. Never reach for a spinning aircraft.</Caution>
		<div class="mt-3 flex flex-wrap items-end gap-5">
			{@render again()}
			<div class="pb-6">
				<Button kind="primary" disabled={busy} onclick={() => void write('took-off')}>Off the ground</Button>
			</div>
		</div>
	{/if}
</section>

{#snippet again()}
	{#if unmeasured && pack}
		<NumberField
			label="{pack.name} at rest"
			unit={inPct ? '%' : 'V per cell'}
			min={inPct ? 0 : 2}
			max={inPct ? 100 : 4.6}
			value={cellV}
			note="flown {view.ledger?.flownSinceMin.toFixed(1)} min since it was measured{times.startPct === null
				? ''
				: `; at least ${times.startPct.toFixed(0)} % is computed with until then`}"
			onchange={(v) => (cellV = v)}
		/>
		<div class="pb-6">
			<Button class="min-h-14" disabled={busy || cellV === null} onclick={() => void measure()}>Record battery</Button>
		</div>
	{/if}
	<NumberField
		label="Land by"
		unit="min"
		min={0.5}
		max={600}
		value={spent ? null : landAfterMin}
		note={source}
		onchange={(v) => (typedMin = v)}
	/>
	{#if times.turnBackMin !== null}
		<p class="m-0 pb-6 text-lead">
			Turn back <b class="figure-mono">{clock(60 * times.turnBackMin)}</b> after takeoff{pctWords}
		</p>
	{/if}
	{#if spent}<p class="m-0 basis-full font-semibold text-hold" role="alert">
			No charge is left above the reserve and the flight home. Charge or change the battery.
		</p>{/if}
{/snippet}
