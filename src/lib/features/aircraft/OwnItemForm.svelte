<script lang="ts">
	import Fields from '$lib/ui/Fields.svelte';
	import { refusal } from '$lib/ui/fields';
	import { OWN_ITEM_FIELDS } from './ownItemFields';
	import { untrack } from 'svelte';
	import { ownItemSchema, type OwnItem, type StationId } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';

	/** The pilot's own checklist item. */
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
		problem = parsed.success ? '' : refusal(parsed.error.issues[0], OWN_ITEM_FIELDS);
		if (parsed.success) onsave(parsed.data);
	}
</script>

<form class="grid gap-4" onsubmit={save}>
	<Fields fields={OWN_ITEM_FIELDS} record={draft} onchange={(change) => Object.assign(draft, change)} />
	{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
	<div class="flex gap-3">
		<Button kind="primary" type="submit">Keep it</Button>
	</div>
</form>
