<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { armingReasons } from '$lib/core/session/arming';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { newId } from '$lib/store/newId';
	import { saveAircraft } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** "It will not arm": what the aircraft says, what that usually means, what is done, and room for what it meant here. */
	let { open = $bindable() }: { open: boolean } = $props();
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	let said = $state('');
	let meant = $state('');
	let helped = $state('');
	const found = $derived(armingReasons(said, aircraft.armingMessages));

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		if (said.trim() === '' || meant.trim() === '') return;
		const message = { id: newId(), text: said.trim(), means: meant.trim(), next: helped.trim() };
		try {
			await saveAircraft({
				...$state.snapshot(aircraft),
				armingMessages: [...(aircraft.armingMessages ?? []), message],
			});
			[meant, helped] = ['', ''];
			done('Kept with the aircraft');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Dialog
	bind:open
	title="It will not arm"
	description="It tells why on its screen, by voice or by its lights. The maker’s manual has the exact words."
>
	<TextField label="What does it say?" maxlength={160} bind:value={said} />
	<ul class="m-0 mt-3 list-none p-0">
		{#each found.own as { id, text, means, next } (id)}
			<li class="hairline py-2">
				<b>{text}</b>: {means}
				<span class="block text-ink-2">{next || 'As noted before of this aircraft.'}</span>
			</li>
		{/each}
		{#each found.usual as { id, means, next } (id)}
			<li class="hairline py-2"><b>{means}</b><span class="block text-ink-2">{next}</span></li>
		{/each}
	</ul>
	{#if said.trim() && found.own.length + found.usual.length === 0}
		<p class="text-ink-2">Nothing usual is told in these words: search the manual for the exact message.</p>
	{/if}
	{#if said.trim()}
		<form class="mt-3 grid gap-3 border-t border-rule pt-3" onsubmit={(event) => void keep(event)}>
			<p class="m-0 font-semibold">What was it here? Kept for the next time it says so.</p>
			<TextField label="It meant" maxlength={200} bind:value={meant} />
			<TextField label="What helped" maxlength={200} bind:value={helped} />
			<div class="flex flex-wrap gap-3">
				<Button type="submit" class="min-h-14" disabled={meant.trim() === ''}>Keep it with {aircraft.name}</Button>
				<Button kind="quiet" class="min-h-14" href={view.finderHref()}>None of these: find the cause</Button>
			</div>
		</form>
	{/if}
</Dialog>
