<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { untrack } from 'svelte';
	import { ownItemSchema, type OwnItem, type StationId } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';

	/** A question of the pilot's own: words, why, how it is answered, and what it means when it is not right. */
	type Props = {
		station: StationId;
		item: OwnItem | null;
		newid: () => string;
		onsave: (item: OwnItem) => void;
	};
	let { station, item, newid, onsave }: Props = $props();
	let draft = $state<OwnItem>(
		untrack(() => item ?? { id: `mine-${newid()}`, station, type: 'tick', text: '', why: '', weight: 'caution' }),
	);
	let problem = $state('');

	function save(event: SubmitEvent) {
		event.preventDefault();
		const parsed = ownItemSchema.safeParse($state.snapshot(draft));
		problem = parsed.success ? '' : 'It needs words: what is looked at, or measured.';
		if (parsed.success) onsave(parsed.data);
	}
</script>

<form class="grid gap-4" onsubmit={save}>
	<TextField label="What is asked" maxlength={200} bind:value={draft.text} wrong={problem !== ''} />
	<TextField label="Why, for whoever answers it" maxlength={400} bind:value={draft.why} />
	<Choice
		label="It is answered by"
		value={draft.type}
		options={[
			{ value: 'tick', label: 'Looking' },
			{ value: 'confirm', label: 'Doing it' },
			{ value: 'measure', label: 'A value' },
			{ value: 'wait', label: 'Waiting' },
		]}
		onchange={(type) => (draft.type = type)}
	/>
	{#if draft.type === 'measure'}
		<div class="flex flex-wrap gap-4">
			<NumberField label="At least" value={draft.low ?? null} onchange={(v) => (draft.low = v ?? undefined)} />
			<NumberField label="At most" value={draft.high ?? null} onchange={(v) => (draft.high = v ?? undefined)} />
			<TextField label="Unit" class="w-24" maxlength={20} bind:value={draft.unit} />
		</div>
		<TextField label="Where the limit comes from" maxlength={200} bind:value={draft.source} />
	{:else if draft.type === 'wait'}
		<NumberField
			label="Wait"
			unit="s"
			min={1}
			max={3600}
			value={draft.waitS ?? null}
			onchange={(v) => (draft.waitS = v ?? undefined)}
		/>
	{/if}
	<Choice
		label="If it is not right, it counts as"
		value={draft.weight}
		options={[
			{ value: 'caution', label: 'Caution' },
			{ value: 'hold', label: 'Hold' },
		]}
		onchange={(weight) => (draft.weight = weight)}
	/>
	{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
	<div class="flex gap-3">
		<Button kind="primary" type="submit">Keep it</Button>
	</div>
</form>
