<script lang="ts">
	import type { Conflict } from '$lib/core/facts/facts';
	import { FACT_RULES } from '$lib/core/facts/keys';
	import { profileKeeps } from '$lib/core/facts/profile';
	import type { Statement } from '$lib/core/facts/statements';
	import { factWords } from '$lib/core/facts/words';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import { getSessionView } from './sessionView.svelte';

	/** Two values for one thing: one press makes one of them the value in force. */
	let { conflict }: { conflict: Conflict } = $props();
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	let busy = $state(false);

	const label = ({ key, value, source }: Statement) =>
		source === 'profile'
			? `Set aircraft back to ${factWords(key, value, units())}`
			: `Use ${factWords(key, value, units())}${profileKeeps(aircraft, key, value) ? ', update profile' : ''}`;
	async function choose(statement: Statement) {
		if (busy) return;
		busy = true;
		try {
			await view.settle(conflict, statement);
			done(`${FACT_RULES[conflict.key].label} recorded`);
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

<div class="flex flex-wrap gap-3" role="group" aria-label="{FACT_RULES[conflict.key].label} of {aircraft.name}">
	<Button class="min-h-14" disabled={busy} onclick={() => void choose(conflict.first)}>{label(conflict.first)}</Button>
	<Button class="min-h-14" disabled={busy} onclick={() => void choose(conflict.second)}>{label(conflict.second)}</Button
	>
</div>
