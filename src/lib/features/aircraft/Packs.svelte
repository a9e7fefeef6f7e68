<script lang="ts">
	import type { Chemistry } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { newId, savePack } from '$lib/store/repository';
	import { listPacks } from '$lib/store/tables';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';

	let { aircraftId }: { aircraftId: string } = $props();
	const packs = live(listPacks);
	const own = $derived((packs.current ?? []).filter((pack) => pack.aircraftId === aircraftId));
	let name = $state('');
	let cells = $state<number | null>(null);
	let capacityMah = $state<number | null>(null);
	let chemistry = $state<Chemistry>('lipo');

	const CHEMISTRY: Record<Chemistry, string> = {
		lipo: 'lithium-polymer, full at 4.20 V',
		'high-voltage': 'high-voltage, full at 4.35 V',
		'lithium-ion': 'lithium-ion, full at 4.20 V',
		percent: 'shows per cent only',
	};

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (!name.trim() || cells === null || capacityMah === null) {
			failed('A pack needs a name, its cells and its capacity.');
			return;
		}
		const at = new Date().toISOString();
		try {
			await savePack({
				id: newId(),
				name: name.trim(),
				aircraftId,
				cells: Math.round(cells),
				capacityMah,
				chemistry,
				cycles: 0,
				boughtOn: at.slice(0, 10),
				notes: '',
				updatedAt: at,
			});
			done(`Pack ${name.trim()} is saved`);
			[name, cells, capacityMah] = ['', null, null];
		} catch (error) {
			failed(error);
		}
	}
</script>

<section>
	<h2 class="m-0 mb-2">Packs</h2>
	<table>
		<thead
			><tr
				><th scope="col">pack</th><th scope="col" class="num">cells</th><th scope="col" class="num">mAh</th><th
					scope="col"
					class="num">cycles</th
				><th scope="col">charge</th><th scope="col">since</th></tr
			></thead
		>
		<tbody>
			{#each own as pack (pack.id)}
				<tr
					><td>{pack.name}</td><td class="num">{pack.cells}</td><td class="num">{pack.capacityMah}</td><td class="num"
						>{pack.cycles}</td
					><td>{CHEMISTRY[pack.chemistry ?? 'lipo']}</td><td>{showDate(pack.boughtOn)}</td></tr
				>
			{:else}
				<tr><td colspan="6" class="text-ink-2">No pack yet.</td></tr>
			{/each}
		</tbody>
	</table>
	<form {@attach refuseInvalid} class="mt-3 flex flex-wrap items-end gap-3" onsubmit={add}>
		<label class="grid gap-1"
			><span class="text-[15px] text-ink-2">New pack</span><input
				class="field-input w-32"
				maxlength="60"
				bind:value={name}
			/></label
		>
		<NumberField label="Cells" min={1} max={24} value={cells} onchange={(v) => (cells = v)} />
		<NumberField
			label="Capacity"
			unit="mAh"
			min={1}
			max={200000}
			value={capacityMah}
			onchange={(v) => (capacityMah = v)}
		/>
		<label class="grid gap-1 pb-6"
			><span class="text-[15px] text-ink-2">Charge</span>
			<select class="field-input" bind:value={chemistry}>
				{#each Object.entries(CHEMISTRY) as [value, words] (value)}<option {value}>{words}</option>{/each}
			</select></label
		>
		<div class="pb-6"><Button type="submit">Add it</Button></div>
	</form>
</section>
