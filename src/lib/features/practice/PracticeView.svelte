<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { Recording } from '$lib/features/measuring/recording.svelte';
	import FaultPicker from '$lib/features/measuring/FaultPicker.svelte';
	import HandsPad from '$lib/features/measuring/HandsPad.svelte';
	import { hands } from '$lib/features/measuring/hands.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import { preferences } from '$lib/ui/preferences.svelte';
	import HandsLately from './HandsLately.svelte';
	import { NO_FAULTS, type RigFaults } from '$lib/rig/rig';
	import { rigSource } from '$lib/sources/rigSource';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import { showClock } from '$lib/ui/format';
	import { download } from '$lib/ui/download';

	const recording = new Recording();
	let faults = $state<RigFaults>({ ...NO_FAULTS });
	const place = { latDeg: 54.2113, lonDeg: -3.0642, altM: 7 };
	$effect(() => () => recording.stop());

	function start() {
		recording.start(
			rigSource({
				seed: Math.floor(Math.random() * 1e6),
				faults: $state.snapshot(faults),
				place,
				date: localDay(Date.now()),
				speed: 1,
				hands,
			}),
		);
	}
	const last = $derived.by(() => {
		const { mag, accel } = recording;
		const k = recording.samples > 0 ? mag.t.length - 1 : -1;
		if (k < 0) return null;
		return {
			field: Math.hypot(mag.x[k], mag.y[k], mag.z[k]),
			tilt:
				(Math.acos(Math.max(-1, Math.min(1, -accel.z[k] / Math.hypot(accel.x[k], accel.y[k], accel.z[k])))) * 180) /
				Math.PI,
			raw: [mag.x[k], mag.y[k], mag.z[k]],
		};
	});
</script>

<Page
	title={recording.running
		? 'It is in your hands: tilt it, turn it, and watch what the sensors say'
		: 'Meet the faults here before you meet them in the field'}
	name="Practice"
	lead="The practice aircraft has sensors, a receiver and a pack, and whatever faults you give it. Every procedure can be rehearsed with it."
>
	{#snippet margin()}
		<Caution>Practice is not evidence: it counts in a rehearsal, and nothing of a rehearsal counts outside it.</Caution>
		<h2 class="mt-5 mb-2">Your hands</h2>
		<HandsLately pilot={preferences.pilot} />
		<p class="text-small text-ink-2">
			When the position is lost, only hands bring it back. Rates that are comfortable: <a href="/instruments/curve"
				>curves and rates</a
			>.
		</p>
		<h2 class="mt-5 mb-2">Rehearse</h2>
		<ul class="m-0 list-none p-0">
			<li class="hairline py-2">
				<a href="/instruments/compass">Turn a compass</a>, with metal near, or mounted upside down
			</li>
			<li class="hairline py-2">
				<a href="/instruments/position">Watch a lock come</a>, or never come, under half a sky
			</li>
			<li class="hairline py-2"><a href="/instruments/hover">Read a hover</a> with a compass error of your choice</li>
		</ul>
	{/snippet}
	<div class="grid gap-8 lg:grid-cols-[320px_minmax(0,1fr)]">
		<div class="grid content-start gap-4">
			<FaultPicker bind:faults kinds={['offsets', 'softIron', 'metalNear', 'mountingTurned', 'weakSky']} />
			<div class="flex gap-3">
				{#if recording.running}
					<Button kind="primary" onclick={() => recording.stop()}>Stop</Button>
				{:else}
					<Button kind="primary" onclick={start}>Switch it on</Button>
				{/if}
				{#if recording.lines.length > 0 && !recording.running}
					<Button class="min-h-14" onclick={() => download('practice.nmea', recording.lines.join('\r\n'), 'text/plain')}
						>Save the receiver's text</Button
					>
				{/if}
			</div>
		</div>
		<div>
			{#if recording.attitude}
				<div class="flex flex-wrap gap-x-10 gap-y-3">
					<Figure label="Tilt" value={last?.tilt.toFixed(0) ?? '–'} unit="°" />
					<Figure
						label="Raw field strength"
						value={last?.field.toFixed(1) ?? '–'}
						unit="µT"
						note="changes with the pose while uncalibrated"
					/>
					<Figure label="Pack" value={recording.packV?.toFixed(2) ?? '–'} unit="V" />
					<Figure label="On for" value={showClock(recording.atS)} />
				</div>
				<p class="figure-mono mt-2 text-ink-2">mag {last?.raw.map((v) => v.toFixed(1)).join('  ')} µT</p>
				<div class="mt-3 max-w-md"><HandsPad {recording} rotors={4} /></div>
				<pre
					class="mt-4 h-40 overflow-auto border border-rule bg-paper p-3 font-mono text-mini"
					aria-label="Receiver text">{recording.samples > 0 ? recording.lines.slice(-8).join('\n') : ''}</pre>
			{:else}
				<p class="m-0 max-w-read text-ink-2">
					Choose what it has wrong and switch it on. Then drag it, or tilt it with the arrows and turn it with q and e.
				</p>
			{/if}
		</div>
	</div>
</Page>
