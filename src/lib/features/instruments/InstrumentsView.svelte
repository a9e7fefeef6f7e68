<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import Search from '@lucide/svelte/icons/search';
	import { goto } from '$app/navigation';
	import Page from '$lib/features/shell/Page.svelte';
	import { dueOfAll, INSTRUMENT_OF } from '$lib/features/due/fleetDue';
	import { findListed, searchInstruments } from '$lib/instruments/catalogue';
	import { loadHome } from '$lib/store/home';
	import { live } from '$lib/store/live.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { preferences } from '$lib/ui/preferences.svelte';

	/** Every instrument by group; the search finds them by what the pilot would call them. */
	let asked = $state('');
	let field = $state.raw<HTMLElement>();
	const found = $derived(searchInstruments(asked));
	const first = $derived(found[0]?.listed[0]);
	/** Signs by what a pilot says of them; their table comes once somebody searches. */
	let signs = $state.raw<{ id: string; text: string }[]>([]);
	$effect(() => {
		const words = asked.trim();
		if (words.length < 3) {
			signs = [];
			return;
		}
		void Promise.all([import('$lib/core/symptoms/table'), import('$lib/core/symptoms/asked')]).then(
			([{ TABLE }, { saidOf }]) => {
				if (asked.trim() === words) signs = saidOf(TABLE.observations, words).slice(0, 6);
			},
			() => (signs = []),
		);
	});

	/** What is likely wanted: used last, and what measures something that is due. */
	const home = live(loadHome);
	const now = new Date().toISOString();
	const listedOf = (ids: Iterable<string>) => [...new Set(ids)].flatMap((id) => findListed(id) ?? []);
	const nearest = $derived([
		{ title: 'Used last', listed: listedOf(preferences.lately) },
		{
			title: 'Due on your aircraft',
			listed: listedOf(
				(home.current ? dueOfAll(home.current, now) : []).flatMap(({ due }) =>
					due.flatMap(({ sensor }) => INSTRUMENT_OF[sensor] ?? []),
				),
			),
		},
	]);

	$effect(() => {
		if (new URLSearchParams(location.search).has('search')) field?.focus();
	});
</script>

<Page
	title="Measure one thing, without a session"
	name="Instruments"
	lead="Drop a file, take the simulated fleet, or type; read the finding; keep it in an aircraft’s record or as a file."
>
	<form
		class="mb-5 flex max-w-xl items-center gap-3"
		role="search"
		onsubmit={(event) => {
			event.preventDefault();
			if (first) void goto(`/instruments/${first.id}`);
		}}
	>
		<Search size={20} aria-hidden="true" />
		<div class="flex-1">
			<TextField
				label="Search instruments"
				quiet
				type="search"
				placeholder="What do you want to know? battery, level, spray …"
				bind:value={asked}
				attach={(input) => void (field = input)}
			/>
		</div>
	</form>
	{#if asked.trim() === '' || /lost|gone|search|missing|find/i.test(asked)}
		<a
			href="/lost"
			class="mb-2 grid min-h-14 gap-x-4 rounded border border-rule px-gutter py-2.5 text-inherit no-underline hover:bg-fine sm:grid-cols-[170px_minmax(0,1fr)]"
		>
			<span class="text-lead font-semibold text-action">It is lost</span>
			<span class="text-small">Where to search: from where it was last, its height, the wind, and where you stand.</span
			>
		</a>
	{/if}
	{#if asked.trim() === ''}
		<a
			href="/finder"
			class="mb-2 grid min-h-14 gap-x-4 rounded border border-rule px-gutter py-2.5 text-inherit no-underline hover:bg-fine sm:grid-cols-[170px_minmax(0,1fr)]"
		>
			<span class="text-lead font-semibold text-action">What does it do?</span>
			<span class="text-small"
				>Something is wrong: causes behind what you see, hear or read, and the cheapest safe check next.</span
			>
		</a>
	{:else if signs.length > 0}
		<h2 class="mt-5 mb-1">What does it do?</h2>
		<ul class="m-0 grid list-none gap-x-8 p-0 lg:grid-cols-2">
			{#each signs as { id, text } (id)}
				<li class="hairline">
					<a href="/finder?sign={id}" class="grid min-h-12 content-center py-2 text-action no-underline hover:bg-fine"
						>{text}</a
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#if asked.trim() === ''}
		{#each nearest as { title, listed } (title)}
			{#if listed.length > 0}
				<h2 class="mt-5 mb-2">{title}</h2>
				<div class="flex flex-wrap gap-2">
					{#each listed as { id, title: name } (id)}<Button href="/instruments/{id}">{name}</Button>{/each}
				</div>
			{/if}
		{/each}
	{/if}
	{#each found as { group, listed } (group)}
		<h2 class="mt-5 mb-1">{group}</h2>
		<ul class="m-0 grid list-none gap-x-8 p-0 lg:grid-cols-2">
			{#each listed as { id, title, does } (id)}
				<li class="hairline">
					<a
						href="/instruments/{id}"
						class="grid min-h-14 gap-x-4 py-2.5 text-inherit no-underline hover:bg-fine sm:grid-cols-[170px_minmax(0,1fr)]"
					>
						<span class="text-lead font-semibold text-action">{title}</span><span class="text-small">{does}</span>
					</a>
				</li>
			{/each}
		</ul>
	{:else}
		{#if signs.length === 0}<p class="max-w-prose">
				Nothing here is called “{asked}”. Try the part or the trouble: drift, heading, battery, propeller, horizon.
			</p>{/if}
	{/each}
</Page>
