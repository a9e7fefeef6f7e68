<script lang="ts">
	import PaceChoice, { type Pace } from '$lib/features/measuring/PaceChoice.svelte';
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import type { HoldPlan } from '$lib/core/guide/holds';
	import { DEG } from '$lib/core/frames/angles';
	import { seededRng } from '$lib/core/math/random';
	import { aboutAxis } from '$lib/core/frames/rotation';
	import { MOTION_LOG } from '$lib/core/record/logRoles';
	import FaultPicker from '$lib/features/measuring/FaultPicker.svelte';
	import { hands as ownHands } from '$lib/features/measuring/hands.svelte';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import { NO_FAULTS, PRACTICE_PLACE, type RigFaults, type RigPlace, type RigSwitch } from '$lib/rig/rig';
	import { newSeed } from '$lib/rig/seed';
	import { obedientHands, type HandsMistake } from '$lib/rig/turning';
	import { motionSource, serialSource } from '$lib/sources/deviceSource';
	import { rigSource } from '$lib/sources/rigSource';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import type { HoldState } from './holdState.svelte';

	/** Where the readings of a live procedure come from: this device, a serial line, or the practice aircraft. */
	type Props = { state: HoldState; plan: HoldPlan; faults: readonly RigSwitch[]; place: RigPlace | null; date: string };
	let { state: work, plan, faults: kinds, place, date }: Props = $props();

	type From = 'rig' | 'motion' | 'serial';
	const practice = practiceAllowed();
	let from = $state<From>(practice() ? 'rig' : 'serial');
	let baud = $state('57600');
	let whose = $state<HandsMistake | 'own'>('none');
	let speed = $state<Pace>('1');
	// svelte-ignore state_referenced_locally
	let faults = $state<RigFaults>({
		...NO_FAULTS,
		accelOff: kinds.includes('accelOff'),
		boardTurned: kinds.includes('boardTurned'),
	});

	const HINTS: Record<From, string> = {
		rig: 'Simulated sensors, made on this device. What it records is marked as practice.',
		motion:
			'Hold this device as the aircraft: its top is the nose, its screen faces up. For rehearsal, and for a surface: kept as practice.',
		serial: 'Rows of text with a header that names time and axes with units: t [s], ax [m/s2], ay [m/s2], az [m/s2].',
	};
	const SURFACE_DEG = 1.3;

	function start() {
		// This device is not the aircraft: what its sensors read is no evidence of the aircraft's.
		if (from === 'motion') return work.begin(plan, motionSource(), null, true);
		if (from === 'serial') return work.begin(plan, serialSource(Number(baud), MOTION_LOG), null, false);
		const seed = newSeed();
		const surface = aboutAxis([0.6, 0.8, 0], SURFACE_DEG * DEG);
		const obedient = whose === 'own' ? null : obedientHands(whose, seededRng(seed + 5), surface);
		work.begin(
			plan,
			rigSource({
				seed,
				faults: $state.snapshot(faults),
				place: place ?? PRACTICE_PLACE,
				date,
				speed: Number(speed),
				hands: obedient ?? ownHands,
			}),
			obedient,
			true,
		);
	}
</script>

<section class="no-print border border-rule p-4">
	<h2 class="m-0">Hands-free, live</h2>
	<p class="mt-1 mb-3 text-[15px] text-ink-2">
		It says what to hold, hears when it is still, and names what is missing, wrong or was moved.
	</p>
	<div class="grid gap-4">
		<Choice
			label="Readings from"
			value={from}
			options={[
				...(practice()
					? ([
							{ value: 'rig', label: 'Practice aircraft' },
							{ value: 'motion', label: 'This device' },
						] as const)
					: []),
				{ value: 'serial', label: 'Serial line' },
			]}
			onchange={(next) => (from = next)}
		/>
		<p class="m-0 text-[15px] text-ink-2">{HINTS[from]}</p>
		{#if from === 'serial'}
			<BaudChoice bind:value={baud} />
		{:else if from === 'rig'}
			<Choice
				label="Whose hands"
				value={whose}
				options={[
					{ value: 'none', label: 'Careful' },
					{ value: 'moves', label: 'Moving once' },
					{ value: 'wrong-pose', label: 'Wrong once' },
					{ value: 'own', label: 'Yours' },
				]}
				onchange={(next) => (whose = next)}
			/>
			<PaceChoice bind:value={speed} />
			{#if kinds.length > 0}<FaultPicker bind:faults kinds={[...kinds]} />{/if}
		{/if}
		<div><Button kind="primary" onclick={start}>Begin, hands free</Button></div>
	</div>
</section>
