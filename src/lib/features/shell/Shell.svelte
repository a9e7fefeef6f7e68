<script lang="ts">
	import { problemWords } from '$lib/ui/problem';
	import { afterNavigate, goto, onNavigate } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import { tick, type Snippet } from 'svelte';
	import Menu from '@lucide/svelte/icons/menu';
	import Settings from '@lucide/svelte/icons/settings-2';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { openStore, storeFailure } from '$lib/store/failure.svelte';
	import { onNotice } from '$lib/ui/notify';
	import { prefer, preferences } from '$lib/ui/preferences.svelte';
	import { PLACES, placeOf } from './places';
	import CannotShow from './CannotShow.svelte';
	import { toWork } from './toWork';
	import { inField } from './keys';

	let { children }: { children: Snippet } = $props();

	let helpOpen = $state(false);
	let menuOpen = $state(false);
	let settingsOpen = $state(false);
	/** `g` was pressed then, and a letter within so many milliseconds names a place. */
	let askedAt = -Infinity;
	const PLACE_WITHIN_MS = 5000;

	const here = $derived(placeOf(page.url.pathname));
	let online = $state(true);

	/** The page in view comes first; what may wait is loaded after it, milliseconds. */
	const SETTLED_MS = 2000;
	let settled = $state(false);
	$effect(() => {
		const later = setTimeout(() => (settled = true), SETTLED_MS);
		onNotice(() => (settled = true));
		return () => clearTimeout(later);
	});
	$effect(() => {
		prefer({});
		online = navigator.onLine;
	});

	// Another page may well be readable.
	let broken: (() => void) | null = null;
	onNavigate(() => {
		storeFailure.forget();
		broken?.();
		broken = null;
	});
	afterNavigate(async ({ type, from, to }) => {
		void openStore();
		if (type === 'enter' || from?.url.pathname === to?.url.pathname) return;
		await tick();
		if (document.activeElement === document.body) toWork();
	});

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		if (event.key === '?') {
			helpOpen = true;
			return;
		}
		// By the time of the keys, not of a timer: a page that is busy for a moment takes none of it.
		const second = event.timeStamp - askedAt < PLACE_WITHIN_MS;
		askedAt = -Infinity;
		if (second) {
			const place = PLACES.find(({ key }) => key === event.key);
			if (place) goto(place.href);
			return;
		}
		if (event.key === '/') {
			event.preventDefault();
			void goto('/instruments?search');
			return;
		}
		if (event.key === 'g') askedAt = event.timeStamp;
	}
</script>

<svelte:window {onkeydown} ononline={() => (online = true)} onoffline={() => (online = false)} />

<a
	href="#main"
	onclick={(event) => {
		event.preventDefault();
		toWork();
	}}
	class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">Skip to the work</a
>

<header class="no-print flex h-[52px] items-center border-b border-rule px-page max-md:px-3">
	<a
		href="/"
		class="flex h-full w-[214px] items-center text-step font-bold text-ink no-underline max-lg:w-auto max-lg:pr-8"
		>Wing<span class="text-action">logos</span></a
	>
	<nav aria-label="Places" class="flex h-full gap-5 max-md:hidden">
		{#each PLACES as { href, label } (href)}
			<a
				{href}
				aria-current={here === href ? 'page' : undefined}
				class="flex h-full items-center border-b-2 no-underline {here === href
					? 'border-action font-semibold text-ink'
					: 'border-transparent text-ink-2 hover:text-ink'}">{label}</a
			>
		{/each}
	</nav>
	<div class="ml-auto flex items-center gap-1">
		{#if !online}<span class="mr-2 text-note text-ink-2">no network · all here works</span>{/if}
		<button
			type="button"
			class="grid min-h-11 min-w-11 place-items-center rounded text-lead font-semibold text-ink-2 hover:bg-action-soft max-md:hidden"
			onclick={() => (helpOpen = true)}
			aria-label="Keyboard help">?</button
		>
		<button
			type="button"
			class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
			onclick={() => (settingsOpen = true)}
			aria-label="Settings"><Settings size={20} /></button
		>
		<button
			type="button"
			class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft md:hidden"
			onclick={() => (menuOpen = true)}
			aria-label="Places"><Menu size={22} /></button
		>
	</div>
</header>

{#if navigating.to}<div
		class="fixed inset-x-0 top-0 z-50 h-0.5 bg-action"
		role="status"
		aria-label="Loading"
	></div>{/if}

{#if settled}{#await import('./NewVersionLine.svelte') then { default: NewVersionLine }}<NewVersionLine />{/await}{/if}

<main id="main">
	{#if storeFailure.error !== null}
		<CannotShow
			title="The data on this device cannot be read"
			lead="Nothing was changed."
			reason={problemWords(storeFailure.error)}
			words="It may be short of room, refuse site data, or have been closed while it wrote. Try again first; then save what lies there before anything else is tried."
			again={() => location.reload()}
		/>
	{:else}
		<svelte:boundary onerror={(_, reset) => (broken = reset)}>
			{@render children()}
			{#snippet failed(error, reset)}
				<CannotShow
					title="This page cannot be shown"
					lead="What was recorded is kept: every entry is written before the screen says so."
					reason={problemWords(error)}
					words="It is a fault of the page, not of what lies on this device. Try again; every other page works, and what lies there can be saved."
					again={reset}
				/>
			{/snippet}
		</svelte:boundary>
	{/if}
</main>

<Dialog bind:open={menuOpen} title="Places" side>
	<nav aria-label="Places" class="grid">
		{#each PLACES as { href, label } (href)}
			<a
				{href}
				onclick={() => (menuOpen = false)}
				class="hairline flex min-h-14 items-center text-lead no-underline {here === href ? 'font-bold text-ink' : ''}"
				>{label}</a
			>
		{/each}
	</nav>
</Dialog>
<Dialog bind:open={settingsOpen} title="Settings" description="Kept on this device.">
	{#await import('./SettingsPanel.svelte') then { default: SettingsPanel }}<SettingsPanel />{/await}
</Dialog>
{#if helpOpen}{#await import('./HelpDialog.svelte') then { default: HelpDialog }}<HelpDialog
			bind:open={helpOpen}
		/>{/await}{/if}
<!-- An open dialog takes them in: behind it they could be neither heard nor touched. -->
<div id="notices">
	{#if settled}{#await import('svelte-sonner') then { Toaster }}
			<Toaster
				position="bottom-right"
				theme={preferences.theme === 'dusk' ? 'dark' : 'light'}
				closeButton
				richColors={false}
			/>
		{/await}{/if}
</div>
