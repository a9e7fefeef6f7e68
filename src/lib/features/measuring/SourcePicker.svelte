<script lang="ts">
	import { ofPage } from '$lib/features/shell/keys';
	import PaceChoice, { type Pace } from '$lib/features/measuring/PaceChoice.svelte';
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import { COMPASS_ROLES } from '$lib/core/record/logRoles';
	import { serialSource } from '$lib/sources/deviceSource';
	import type { RigFaults, RigPlace } from '$lib/rig/rig';
	import { NO_FAULTS, PRACTICE_PLACE } from '$lib/rig/rig';
	import type { RecipeName } from '$lib/rig/turning';
	import { rigSource } from '$lib/sources/rigSource';
	import type { Source } from '$lib/sources/source';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import FaultPicker from './FaultPicker.svelte';
	import { hands } from './hands.svelte';
	import { practiceAllowed } from './practice';

	/** Where the samples come from: a file, or the practice aircraft. */
	type Props = {
		/** Where the practice aircraft stands; its own place where none was entered. */
		place: RigPlace | null;
		date: string;
		accept: string;
		fileHint: string;
		/** What the line must send. */
		serialHint: string;
		/** Recipes of turning are offered where it must be turned; still hands otherwise. */
		turning?: boolean;
		onsource: (source: Source) => void;
		onfile: (file: File) => void;
		startWords?: string;
	};
	let {
		place,
		date,
		accept,
		fileHint,
		serialHint,
		turning = false,
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
		const seed = Math.floor(Math.random() * 1e6);
		onsource(
			rigSource({
				seed,
				faults: $state.snapshot(faults),
				place: place ?? PRACTICE_PLACE,
				date,
				speed: Number(speed),
				hands: !turning ? 'still' : recipe === 'own' ? hands : recipe,
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

<div class="mt-5 grid gap-6 xl:grid-cols-2">
	<div class="grid content-start gap-6 {practice() ? '' : 'xl:col-span-2 xl:grid-cols-2'}">
		<section class="border border-rule p-4">
			<h2 class="m-0">A log of your aircraft</h2>
			<p class="mt-1 mb-3 text-[15px] text-ink-2">{fileHint}</p>
			<FileDrop {accept} {onfile} />
		</section>
		<section class="border border-rule p-4">
			<h2 class="m-0">Live, by a serial line</h2>
			<p class="mt-1 mb-3 text-[15px] text-ink-2">{serialHint}</p>
			<BaudChoice bind:value={baud} />
			<div class="mt-3">
				<Button onclick={() => onsource(serialSource(Number(baud), COMPASS_ROLES))}>Listen to the line</Button>
			</div>
		</section>
	</div>
	{#if practice()}
		<section class="border border-rule p-4">
			<h2 class="m-0">The practice aircraft</h2>
			<p class="mt-1 mb-3 text-[15px] text-ink-2">
				Simulated sensors, made on this device. What it records is marked as practice.
			</p>
			<div class="grid gap-4">
				{#if turning}
					<label class="grid gap-1">
						<span class="text-[15px] text-ink-2">Whose hands turn it</span>
						<select class="field-input" bind:value={recipe}>
							{#each HANDS as { value, label } (value)}<option {value}>{label}</option>{/each}
						</select>
					</label>
				{/if}
				<PaceChoice bind:value={speed} />
				<FaultPicker
					bind:faults
					kinds={turning ? ['offsets', 'softIron', 'metalNear', 'mountingTurned'] : ['weakSky', 'metalNear']}
				/>
				<div><Button kind="primary" onclick={start} kbd="↵">{startWords}</Button></div>
			</div>
		</section>
	{/if}
</div>

<svelte:window
	onkeydown={(event) => {
		if (event.key === 'Enter' && !event.repeat && ofPage(event) && practice()) start();
	}}
/>
