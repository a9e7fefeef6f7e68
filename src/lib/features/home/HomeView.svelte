<script lang="ts">
	import { plain } from '$lib/words/plain';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { dueOfAll } from '$lib/features/due/fleetDue';
	import { loadDemo } from '$lib/features/demo/loadDemo';
	import Page from '$lib/features/shell/Page.svelte';
	import FirstSteps from './FirstSteps.svelte';
	import { live } from '$lib/store/live.svelte';
	import { loadHome } from '$lib/store/home';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { showDay } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { fromYawPitchRoll } from '$lib/core/frames/rotation';
	import { stationTitle } from '$lib/core/session/stations';

	const home = live(loadHome);
	const now = new Date().toISOString();
	const attitude = fromYawPitchRoll(0.5, 0.1, 0);
	let loading = $state(false);

	const open = $derived(home.current?.open ?? []);
	const latest = $derived(open[0]);
	const fleet = $derived(
		(home.current ? dueOfAll(home.current, now) : []).map(({ aircraft, due }) => {
			const flown = home.current?.flown.get(aircraft.id);
			const left = home.current?.deferred.get(aircraft.id) ?? [];
			return { aircraft, due, flown, left };
		}),
	);
	const dueNow = $derived(fleet.filter(({ due }) => due.length > 0));

	async function demo() {
		loading = true;
		try {
			await loadDemo();
			done('The demo data are on this device');
			if (page.url.searchParams.has('demo')) await goto('/', { replaceState: true });
		} catch (error) {
			failed(error);
		} finally {
			loading = false;
		}
	}
	$effect(() => {
		if (page.url.searchParams.has('demo') && home.ready && home.current?.aircraft.length === 0 && !loading) void demo();
	});

	const title = $derived(
		latest
			? `Go on with “${latest.title}”`
			: dueNow.length > 0
				? `Something is due on ${dueNow.map(({ aircraft }) => aircraft.name).join(' and ')}`
				: 'Begin a session, from the bench to the first hover',
	);
</script>

{#if !home.ready}
	<p class="px-7 py-10 text-ink-2" role="status">Reading what is on this device…</p>
{:else if home.current?.sessions === 0}
	<Page title="From the bench to the first hover of the day, with the evidence" name="Session">
		<FirstSteps aircraft={fleet.length} sites={home.current.sites} />
		<h2 class="mt-8 mb-2">Or look round first</h2>
		<p class="mt-0 max-w-read text-ink-2">
			Try one instrument now with a log of yours or a sample; or take the demo: an invented crew with five aircraft and
			two months of records. Everything stays in this browser.
		</p>
		{#if loading}
			<div class="mt-4 max-w-md"><Progress value={null} label="Making the demo data" /></div>
		{:else}
			<div class="mt-4 flex flex-wrap gap-3">
				<Button class="min-h-14" href="/instruments">Try one instrument</Button>
				<Button class="min-h-14" onclick={demo}>Load the demo data</Button>
				<Button class="min-h-14" href="/data">Import a backup</Button>
			</div>
		{/if}
	</Page>
{:else}
	<Page
		{title}
		name="Session"
		lead={latest
			? `With ${home.current?.aircraft.find(({ id }) => id === latest.aircraftId)?.name ?? ''}, begun ${showDay(latest.startedAt)}, left at ${stationTitle(latest.place.station)}.`
			: ''}
	>
		<div class="flex flex-wrap gap-3">
			{#if latest}
				<Button kind="primary" href="/session/{latest.id}">Go on at {stationTitle(latest.place.station)}</Button>
				<Button class="min-h-14" href="/session/new">Start another session</Button>
			{:else}
				<Button kind="primary" href="/session/new">Start a session</Button>
			{/if}
			<Button class="min-h-14" href="/tomorrow">Plan tomorrow</Button>
		</div>

		<div class="mt-8 grid gap-10 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
			<section aria-labelledby="due">
				<h2 id="due" class="m-0 mb-2">What is due</h2>
				<ul class="m-0 list-none p-0">
					{#each fleet as { aircraft, due, left } (aircraft.id)}
						<li class="hairline flex gap-4 py-3">
							<MarkIcon mark={due.length > 0 ? 'caution' : left.length > 0 ? 'aside' : 'clear'} />
							<div class="min-w-0 flex-1">
								<a href="/aircraft/{aircraft.id}/due" class="block min-h-11 text-ink no-underline">
									<span class="block font-semibold">{aircraft.name}</span>
									{#if due.length > 0}
										<span class="block text-caution">{due.map(({ name }) => name).join(', ')}</span>
										<span class="block text-small text-ink-2"
											>{due[0].chosen.reasons[0].text} School: {due[0].chosen.name.toLowerCase()}.</span
										>
									{:else if left.length === 0}
										<span class="block text-ink-2">Nothing is due</span>
									{/if}
								</a>
								{#each left.slice(0, 3) as { task, about, at, reason } (task)}
									<span class="block text-small"
										>Left on {showDay(at)}: {about || task.replaceAll('-', ' ')}
										<span class="text-ink-2">({plain(reason)})</span></span
									>
								{/each}
								{#if left.length > 3}<span class="block text-small text-ink-2"
										>and {left.length - 3} more, asked in its next session</span
									>{/if}
							</div>
						</li>
					{/each}
				</ul>
				{#if open.length > 1}
					<h2 class="mt-8 mb-2">Also open</h2>
					<ul class="m-0 list-none p-0">
						{#each open.slice(1) as session (session.id)}
							<li class="hairline py-2">
								<a href="/session/{session.id}">{session.title}</a>{#if session.kind === 'rehearsal'}<b
										class="ml-2 text-aside">rehearsal</b
									>{/if}
								<span class="text-ink-2">{showDay(session.startedAt)}</span>
							</li>
						{/each}
					</ul>
				{/if}
			</section>
			<section aria-labelledby="fleet">
				<h2 id="fleet" class="m-0 mb-2">Aircraft</h2>
				<ul class="m-0 list-none p-0">
					{#each fleet as { aircraft, flown } (aircraft.id)}
						<li class="hairline">
							<a
								href="/aircraft/{aircraft.id}"
								class="flex items-center gap-4 py-2 text-inherit no-underline hover:bg-fine"
							>
								<AircraftSketch {attitude} rotors={aircraft.rotors} size={76} />
								<span class="min-w-0">
									<span class="block text-lead font-semibold">{aircraft.name}</span>
									<span class="block text-ink-2">{aircraft.description}</span>
									<span class="block text-small text-ink-2"
										>{flown ? `last session ${showDay(flown.startedAt)}` : 'no session yet'}</span
									>
								</span>
							</a>
						</li>
					{/each}
				</ul>
			</section>
		</div>
	</Page>
{/if}
