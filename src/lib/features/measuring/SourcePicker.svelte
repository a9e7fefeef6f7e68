<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import type { Snippet } from 'svelte';
	import PaceChoice, { type Pace } from '$lib/features/measuring/PaceChoice.svelte';
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import { COMPASS_ROLES } from '$lib/core/record/logRoles';
	import { serialSource } from '$lib/sources/deviceSource';
	import type { RigFaults, RigPlace } from '$lib/rig/rig';
	import { NO_FAULTS, PRACTICE_PLACE } from '$lib/rig/rig';
	import type { RecipeName } from '$lib/rig/turning';
	import { newSeed } from '$lib/rig/seed';
	import { rigSource } from '$lib/sources/rigSource';
	import type { Source } from '$lib/sources/source';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import FaultPicker from './FaultPicker.svelte';
	import Ways, { type Way } from './Ways.svelte';
	import { hands } from './hands.svelte';
	import { practiceAllowed } from './practice';

	/** Where the samples come from: a log, a line, the practice aircraft, or a way of the caller's. */
	type Props = {
		/** What is measured. */
		what: string;
		/** Ways of the caller, and which of all is the usual one; a log unless told. */
		others?: readonly Way[] | undefined;
		first?: string | undefined;
		/** Where the practice aircraft stands; its own place where none was entered. */
		place: RigPlace | null;
		date: string;
		accept: string;
		fileHint: string;
		/** What the line must send. */
		serialHint: string;
		/** How it is to be turned, where it must be; it is held still otherwise. */
		turned?: Snippet | undefined;
		onsource: (source: Source) => void;
		onfile: (file: File) => void;
		startWords?: string | undefined;
	};
	let {
		what,
		others = [],
		first,
		place,
		date,
		accept,
		fileHint,
		serialHint,
		turned,
		onsource,
		onfile,
		startWords = 'Start measuring',
	}: Props = $props();

	const practice = practiceAllowed();
	let faults = $state<RigFaults>({ ...NO_FAULTS });
	let recipe = $state<RecipeName | 'own'>('thorough');
	let baud = $state('57600');
	let speed = $state<Pace>('1');

	function start() {
		onsource(
			rigSource({
				seed: newSeed(),
				faults: $state.snapshot(faults),
				place: place ?? PRACTICE_PLACE,
				date,
				speed: Number(speed),
				hands: !turned ? 'still' : recipe === 'own' ? hands : recipe,
			}),
		);
	}
	const HANDS: readonly { value: RecipeName | 'own'; label: string }[] = [
		{ value: 'thorough', label: 'Eight poses' },
		{ value: 'two turns', label: 'Two turns' },
		{ value: 'three turns', label: 'Three turns' },
		{ value: 'tilted second', label: 'Second tilted' },
		{ value: 'not tilted enough', label: 'Tilted too little first' },
		{ value: 'level only', label: 'Level only' },
		{ value: 'own', label: 'Yours' },
	];
</script>

{#snippet file()}
	<FileDrop {accept} {onfile} hint={fileHint} />
{/snippet}
{#snippet serial()}
	<div class="grid gap-4">
		<p class="m-0 text-small text-ink-2">{serialHint}</p>
		<BaudChoice bind:value={baud} />
		<div>
			<Button kind="primary" onclick={() => onsource(serialSource(Number(baud), COMPASS_ROLES))}
				>Listen to the line</Button
			>
		</div>
		{@render turned?.()}
	</div>
{/snippet}
{#snippet rig()}
	<div class="grid gap-4">
		<p class="m-0 text-small text-ink-2">
			Simulated sensors, made on this device. What it records is marked as practice.
		</p>
		<div><Button kind="primary" onclick={start} kbd="↵">{startWords}</Button></div>
		{@render turned?.()}
		{#if turned}
			<Select label="Turned by" value={recipe} options={HANDS} onchange={(next) => (recipe = next)} />
		{/if}
		<PaceChoice bind:value={speed} />
		<FaultPicker
			bind:faults
			kinds={turned ? ['offsets', 'softIron', 'metalNear', 'mountingTurned'] : ['weakSky', 'metalNear']}
		/>
	</div>
{/snippet}

<div class="mt-5">
	<Ways
		{what}
		first={practice() ? 'rig' : (first ?? 'file')}
		ways={[
			{ value: 'file', label: 'A log', body: file },
			{ value: 'serial', label: 'Serial line', body: serial },
			...others,
			...(practice() ? [{ value: 'rig', label: 'Practice aircraft', body: rig, enter: start }] : []),
		]}
	/>
</div>
