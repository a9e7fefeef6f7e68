<script lang="ts">
	import FilmBody from '$lib/features/film/FilmBody.svelte';
	import FilmWhy from '$lib/features/film/FilmWhy.svelte';
	import { FilmState } from '$lib/features/film/filmState.svelte';
	import HoverBody from '$lib/features/hover/HoverBody.svelte';
	import HoverWhy from '$lib/features/hover/HoverWhy.svelte';
	import { HoverState } from '$lib/features/hover/hoverState.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import LiveInstrument from './LiveInstrument.svelte';
	import type { LiveProps } from './live';

	let { site }: LiveProps = $props();

	const log = new HoverState(() => undefined);
	const film = new FilmState();
	$effect(() => () => {
		log.dispose();
		film.dispose();
	});
	let door = $state<'log' | 'film'>('log');
	const work = $derived(door === 'log' ? log : film);
</script>

<LiveInstrument id="hover" {work} {site} {...door === 'film' ? { samples: [] } : {}}>
	{#snippet why()}
		{#if door === 'log'}<HoverWhy answer={log.answer} />{:else}<FilmWhy />{/if}
	{/snippet}
	{#if work.idle}
		<div class="mt-4">
			<Choice
				label="How it is judged"
				value={door}
				options={[
					{ value: 'log', label: 'By its log or track', note: 'a file' },
					{ value: 'film', label: 'By a film', note: 'a phone on a stand' },
				]}
				onchange={(value) => (door = value)}
			/>
		</div>
	{/if}
	{#if door === 'log'}<HoverBody state={log} />{:else}<FilmBody state={film} />{/if}
</LiveInstrument>
