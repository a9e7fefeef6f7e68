<script lang="ts">
	import { chargeIn, estimateOnPack, flownFlights } from '$lib/core/propulsion/flownFlights';
	import { lastFlights } from '$lib/store/home';
	import { live } from '$lib/store/live.svelte';
	import { savePack } from '$lib/store/repository';
	import { refusedIn } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { showClock, showTime } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { say, tone } from '$lib/ui/speech';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	import { BY_HAND } from '$lib/core/session/currency';
	import { TURN_BACK_BY } from '$lib/core/session/homeEntry';
	import { comesHome, hasPart } from '$lib/core/session/capabilities';
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import LandingBox from './LandingBox.svelte';

	/** The flying screen: one large clock, when to be down, "landed", and a note by one tap. */
	const view = getSessionView();
	const NOTES = [BY_HAND, 'Gusts', 'It drifted', 'It circled', 'Picture lost', 'Link weak', 'Bumped'] as const;
	const MS_PER_MIN = 60_000;

	const { pack } = $derived(view.bundle);
	let typedMin = $state<number | null>(null);
	const flown = live(async () => flownFlights(await lastFlights(view.bundle.aircraft.id)));
	/** The charge that was measured today, %. */
	const startPct = $derived(chargeIn(view.state.record.speaking('pack-voltage') ?? undefined, pack?.chemistry));
	/** By what earlier flights used, from today's charge; null where none told, or no pack or charge is said. */
	const estimate = $derived(
		pack && startPct !== null && (flown.current?.length ?? 0) > 0
			? estimateOnPack(pack, startPct, flown.current ?? [])
			: null,
	);
	const landAfterMin = $derived(typedMin ?? (estimate?.timerMin || pack?.flightMin || null));
	const source = $derived(
		typedMin !== null
			? ''
			: estimate?.timerMin
				? `from ${estimate.used} ${estimate.used === 1 ? 'flight' : 'flights'}: nine in ten last longer`
				: pack?.flightMin
					? `as last said of ${pack.name}`
					: 'empty: by its voltage',
	);
	const tookOff = $derived(view.state.flight.tookOff);
	const landed = $derived(view.state.flight.landed);
	const flying = $derived(tookOff !== null && (landed?.seq ?? -1) < tookOff.seq);
	const start = $derived(tookOff ? Date.parse(tookOff.at) : 0);
	const limitMin = $derived(tookOff?.payload.kind === 'flight' ? tookOff.payload.landAfterMin : null);
	const landBy = $derived(limitMin === null ? null : start + limitMin * MS_PER_MIN);
	const notes = $derived(
		view.bundle.entries.filter(
			({ payload, seq }) => payload.kind === 'flight' && payload.what === 'note' && seq > (tookOff?.seq ?? Infinity),
		),
	);
	let panel = $state<HTMLElement>();
	let now = $state(Date.now());
	let words = $state('');
	let busy = $state(false);
	const leftS = $derived(landBy === null ? null : Math.round((landBy - now) / 1000));

	$effect(() => {
		if (!flying) return;
		const timer = setInterval(() => (now = Date.now()), 500);
		return () => clearInterval(timer);
	});
	/** When the planned way home says to turn back, ms; null where none was planned. */
	const turnBack = $derived.by(() => {
		const home = view.state.record.speaking('way-home');
		const minutes =
			home?.payload.kind === 'test' ? home.payload.figures.find(({ label }) => label === TURN_BACK_BY)?.value : null;
		return flying && typeof minutes === 'number' ? start + minutes * MS_PER_MIN : null;
	});
	const turned = $derived(turnBack !== null && now >= turnBack);
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

	async function write(what: 'took-off' | 'landed' | 'note', note = '') {
		if (busy || refusedIn(panel)) return;
		busy = true;
		try {
			await view.record('fly', {
				kind: 'flight',
				task: 'flying',
				what,
				note,
				landAfterMin: what === 'took-off' ? landAfterMin : null,
			});
			if (what === 'took-off') {
				now = Date.now();
				if (pack && landAfterMin !== null && pack.flightMin !== landAfterMin && !view.rehearsal)
					await savePack({ ...$state.snapshot(pack), flightMin: landAfterMin });
				say('Off the ground.');
			} else done(what === 'landed' ? 'Landed; noted' : 'Noted');
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
				<p class="m-0 text-[15px] text-ink-2">In the air for</p>
				<p class="figure-mono m-0 text-[62px] leading-none font-bold" role="timer">
					{showClock(Math.max(0, (now - start) / 1000))}
				</p>
			</div>
			{#if landBy !== null && leftS !== null}
				<div>
					<p class="m-0 text-[15px] text-ink-2">Down by {showTime(new Date(landBy).toISOString())}</p>
					<p class="figure-mono m-0 text-[44px] leading-none font-bold {leftS <= 60 ? 'text-hold' : ''}">
						{leftS < 0 ? '−' : ''}{showClock(Math.abs(leftS))}
					</p>
				</div>
			{/if}
			{#if turnBack !== null}
				{@const leftToTurn = Math.round((turnBack - now) / 1000)}
				<div>
					<p class="m-0 text-[15px] text-ink-2">Turn back by {showTime(new Date(turnBack).toISOString())}</p>
					<p class="figure-mono m-0 text-[44px] leading-none font-bold {leftToTurn <= 0 ? 'text-hold' : ''}">
						{leftToTurn < 0 ? '−' : ''}{showClock(Math.abs(leftToTurn))}
					</p>
				</div>
			{/if}
			{#if landBy === null}<p class="m-0 max-w-[30ch] font-semibold text-caution">
					Nobody said how long this pack lasts: watch its voltage.
				</p>{/if}
		</div>
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
			<input
				class="field-input flex-1"
				maxlength="400"
				placeholder="A note of your own"
				aria-label="A note"
				bind:value={words}
			/>
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
		<p class="m-0 text-[20px]">
			In the air for <b class="figure-mono">{showClock((Date.parse(landed.at) - start) / 1000)}</b>, down at
			{showTime(landed.at)}.
		</p>
		<p class="mt-1 mb-3 text-ink-2">What the flight taught goes into Close: pack, temperatures, bumps.</p>
		{#if comesHome(view.bundle.aircraft)}<LandingBox sinceSeq={landed.seq} />{/if}
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" href={view.href('close')}>Go on to Close</Button>
			<Button class="min-h-14" disabled={busy} onclick={() => void write('took-off')}>Off the ground again</Button>
		</div>
	{:else}
		<Caution>Stop means land, disarm and disconnect. Never reach for a spinning aircraft.</Caution>
		<div class="mt-3 flex flex-wrap items-end gap-5">
			<NumberField
				label="Be down after"
				unit="min"
				min={0.5}
				max={600}
				value={landAfterMin}
				note={source}
				onchange={(v) => (typedMin = v)}
			/>
			<div class="pb-6">
				<Button kind="primary" disabled={busy} onclick={() => void write('took-off')}>Off the ground</Button>
			</div>
		</div>
	{/if}
</section>
