<script lang="ts">
	import { page } from '$app/state';
	import { untrack, type Snippet } from 'svelte';
	import { stationIdSchema } from '$lib/schema/records';
	import { allowPractice } from '$lib/features/measuring/practice';
	import { waysOf } from '$lib/features/measuring/waysOf';
	import { rememberPlace } from '$lib/store/repository';
	import Empty from '$lib/ui/Empty.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Line from './Line.svelte';
	import SessionBanner from './SessionBanner.svelte';
	import { SessionView, setSessionView } from '../running/sessionView.svelte';

	let { id, children }: { id: string; children: Snippet } = $props();

	const view = setSessionView(new SessionView(() => id, new Date().toISOString()));
	allowPractice(() => view.ready && !view.missing && view.rehearsal);
	waysOf(() => (view.ready && !view.missing ? view.bundle.aircraft.id : 'any'));
	const station = $derived(stationIdSchema.safeParse(page.params.station).data ?? null);
	const task = $derived(page.params.task ?? null);
	const here = $derived(view.ready && !view.missing);

	$effect(() => {
		if (!here || !station) return;
		const wanted = { station, task };
		// Only moving about writes the place: the write itself changes the record, which must not write again.
		untrack(() => {
			const { place, endedAt } = view.bundle.session;
			if (endedAt === null && (place.station !== wanted.station || place.task !== wanted.task))
				void rememberPlace(id, wanted.station, wanted.task);
		});
	});
</script>

{#if view.missing}
	<div class="mx-auto max-w-2xl px-5 py-12">
		<h1 class="m-0 mb-4">This session is not on this device</h1>
		<Empty title="A session file or a backup brings it here">
			<p>It may have been recorded on another device, or deleted here.</p>
			<div class="mt-4 flex gap-3">
				<Button kind="primary" href="/data">Import a file</Button><Button href="/">Go to the start</Button>
			</div>
		</Empty>
	</div>
{:else if view.ready}
	<div class="grid min-h-[calc(100dvh-52px)] lg:grid-cols-[236px_minmax(0,1fr)]">
		<!-- At the foot of the screen; where the screen is low, as on a lying phone, at the foot of the page. -->
		<div
			class="max-lg:order-last max-lg:bg-paper max-lg:tall:fixed max-lg:tall:inset-x-0 max-lg:tall:bottom-0 max-lg:tall:z-30"
		>
			<Line current={station} />
		</div>
		<div id="work" class="flex min-w-0 flex-col max-lg:tall:pb-[76px]">
			<p class="no-print m-0 truncate border-b border-rule px-7 py-1 text-note text-ink-2 max-md:px-gutter lg:hidden">
				<b class="text-ink">{view.bundle.session.title}</b>{#if view.bundle.site}&nbsp;· {view.bundle.site.name}{/if}
			</p>
			<SessionBanner />
			<div class="min-w-0 flex-1">{@render children()}</div>
		</div>
	</div>
{:else}
	<p class="px-7 py-10 text-ink-2" role="status">Reading the session…</p>
{/if}
