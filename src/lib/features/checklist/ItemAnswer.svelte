<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import type { CheckPayload, Odd } from '$lib/schema/entries';
	import type { Item } from '$lib/core/session/items';
	import type { StatedFact } from '$lib/schema/facts';
	import { fromUnit, toUnit } from '$lib/words/units';
	import { z } from 'zod';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { pageNow } from '$lib/ui/pageClock';
	import { say, tone } from '$lib/ui/speech';
	import { units } from '$lib/ui/preferences.svelte';

	/** The way to answer one item: a press, a value, or a timed wait. `value` is in the pilot's unit. */
	type Props = {
		item: Item;
		/** Whose item it is: a wait goes on while its page is left, by the key of its session. */
		of: string;
		/** When it was answered last, ISO: a wait from before that is over. */
		answeredAt: string | null;
		unit: string;
		busy: boolean;
		/** A value is in SI units, or in the item's own where it is no quantity. */
		onaccept: (value: number | null, waitedS: number | null, states?: StatedFact) => void;
		onnudge: (outcome: CheckPayload['outcome'], odd?: Odd) => void;
	};
	let { item, of, answeredAt, unit, busy, onaccept, onnudge }: Props = $props();

	const begunSchema = z.object({ pluggedAt: z.number().nullable(), startedAt: z.number().nullable() });
	const ODD: readonly { odd: Odd; words: string }[] = [
		{ odd: 'opposite', words: 'It went the other way' },
		{ odd: 'swapped-axis', words: 'It went about another axis' },
		{ odd: 'none', words: 'Nothing happened' },
		{ odd: 'squats', words: 'It was pressed to the ground' },
		{ odd: 'flips', words: 'It flipped' },
		{ odd: 'spins', words: 'It spun' },
	];
	/** A nudge was wrong: what it did is asked next. */
	let wrong = $state(false);

	let text = $state('');
	let error = $state('');
	let startedAt = $state<number | null>(null);
	let waitedS = $state(0);
	let input: HTMLElement | undefined;

	const wanted = $derived(item.waitS ?? 0);
	const range = $derived.by(() => {
		const { low, high, quantity } = item.limit ?? {};
		const show = (si: number) => String(Math.round((quantity ? toUnit(si, quantity, units()) : si) * 100) / 100);
		if (low !== undefined && high !== undefined) return `range ${show(low)} to ${show(high)} ${unit}`;
		if (high !== undefined) return `limit ${show(high)} ${unit}`;
		return low !== undefined ? `min ${show(low)} ${unit}` : '';
	});

	/** What is typed is in the pilot's unit: where that changes, the figure goes along. */
	let typedIn = units();
	$effect(() => {
		const now = units();
		const { quantity } = item.limit ?? {};
		const value = Number(text.replace(',', '.'));
		if (now !== typedIn && quantity && text.trim() !== '' && Number.isFinite(value))
			text = String(Number(toUnit(fromUnit(value, quantity, typedIn), quantity, now).toFixed(1)));
		typedIn = now;
	});

	/** Since the plug; the wait itself begins once it stands. */
	let pluggedAt = $state<number | null>(null);
	let pluggedS = $state(0);
	/** A receiver that waits longer for its radio may go into another state. */
	const RECEIVER_WAITS_S = 30;
	const setDown = $derived(item.setDownS ?? 0);
	/** A wait that ended this long ago is not asked about any more, seconds. */
	const FORGOTTEN_S = 120;

	$effect(() => {
		if (pluggedAt === null) return;
		const from = pluggedAt;
		let said = setDown;
		const timer = setInterval(() => {
			pluggedS = (pageNow() - from) / 1000;
			const left = Math.ceil(setDown - pluggedS);
			if (startedAt === null && left < said && left > 0) say(String((said = left)));
			if (pluggedS >= setDown) startedAt ??= pageNow();
		}, 100);
		return () => clearInterval(timer);
	});
	function begin() {
		if (setDown === 0) startedAt ??= pageNow();
		else if (pluggedAt === null) {
			pluggedAt = pageNow();
			tone('step');
			say('Set it down.');
		} else startedAt ??= pageNow();
	}

	/** It ended while nobody looked: whether it was left untouched is asked. */
	let over = $state(false);
	// svelte-ignore state_referenced_locally
	if (item.type === 'wait')
		keepDraft(
			`wait ${of} ${item.id}`,
			() => (pluggedAt === null && startedAt === null ? null : { pluggedAt, startedAt }),
			(kept) => {
				const { data } = begunSchema.safeParse(kept);
				const begunAt = data?.pluggedAt ?? data?.startedAt ?? null;
				if (!data || begunAt === null || (answeredAt && begunAt < Date.parse(answeredAt))) return;
				// Plugged in that long ago, nobody knows whether it was left alone.
				const ageS = (pageNow() - begunAt) / 1000;
				// Set back since, the clock does not say how long it was either: the wait begins again.
				if (ageS < 0 || ageS > wanted + setDown + FORGOTTEN_S) return;
				({ pluggedAt, startedAt } = data);
				over = startedAt !== null && pageNow() - startedAt >= 1000 * wanted;
			},
		);
	function again() {
		over = false;
		pluggedAt = null;
		startedAt = setDown === 0 ? pageNow() : null;
	}
	const waited = () => onaccept(null, Math.round(waitedS * 10) / 10);

	$effect(() => {
		if (startedAt === null) return;
		const from = startedAt;
		const look = () => (waitedS = Math.max(0, (pageNow() - from) / 1000));
		look();
		if (over) return;
		const timer = setInterval(() => {
			if (look() < wanted) return;
			clearInterval(timer);
			tone('done');
			say('Done. It may be touched.');
			waited();
		}, 100);
		return () => clearInterval(timer);
	});

	/** The primary action, as the Enter key does it. */
	export function press() {
		if (item.type === 'measure') {
			const value = Number(text.trim().replace(',', '.'));
			if (text.trim() === '' || !Number.isFinite(value)) {
				error = text.trim() === '' ? 'Enter the value that was measured.' : `"${text}" is not a number.`;
				input?.focus();
			} else {
				error = '';
				const { quantity } = item.limit ?? {};
				onaccept(quantity ? fromUnit(value, quantity, units()) : value, null);
			}
		} else if (item.type === 'wait') (over ? waited : begin)();
		// Where there are several answers, none of them is the one that Enter presses.
		else if (item.type !== 'nudge' && !item.choices) onaccept(null, null);
	}

	/** A digit pressed while nothing had the focus. */
	export function type(digit: string) {
		if (item.choices) {
			const chosen = item.choices[Number(digit) - 1];
			if (chosen) onaccept(null, null, chosen.states);
			return;
		}
		if (item.type === 'nudge') {
			if (digit === '1') onnudge('done');
			else if (digit === '2') onnudge('doubtful');
			else wrong = true;
			return;
		}
		text += digit;
		input?.focus();
	}
</script>

{#if item.type === 'measure'}
	<form
		class="flex flex-wrap items-end gap-4"
		onsubmit={(event) => {
			event.preventDefault();
			if (!busy) press();
		}}
	>
		<TextField
			label="Measured, {unit}"
			attach={(field) => void (input = field)}
			bind:value={text}
			inputmode="decimal"
			autocomplete="off"
			class="figure-mono min-h-14 w-40 text-head font-bold"
			wrong={error !== ''}
			aria-describedby="range"
		/>
		<Button kind="primary" type="submit" disabled={busy} kbd="↵">Record it</Button>
		<p
			id="range"
			class="m-0 basis-full text-small {error ? 'font-semibold text-hold' : 'text-ink-2'}"
			role={error ? 'alert' : undefined}
		>
			{error || range}
		</p>
	</form>
{:else if item.type === 'wait'}
	<div class="grid max-w-md gap-3">
		{#if setDown > 0 && startedAt === null}
			<p class="m-0 text-lead" aria-live="off">
				{#if pluggedAt === null}Press as you plug it in: {setDown} seconds to set it down level, then hands off.
				{:else}<span class="figure-mono text-figure leading-none font-bold"
						>{Math.max(0, Math.ceil(setDown - pluggedS))}</span
					> s to set it down{/if}
			</p>
		{:else}
			<p class="figure-mono m-0 text-figure leading-none font-bold" aria-live="off">
				{Math.max(0, Math.ceil(wanted - waitedS))}<span class="ml-1 text-[0.45em] font-medium text-ink-2">s left</span>
			</p>
			<Progress value={waitedS / wanted} label="Wait" />
		{/if}
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" onclick={press} disabled={startedAt !== null && !over} kbd="↵">
				{over
					? 'It was left untouched'
					: startedAt !== null
						? 'Hands off…'
						: setDown === 0
							? 'Start the wait'
							: pluggedAt === null
								? 'Plugged in'
								: 'It stands'}
			</Button>
			{#if over}<Button class="min-h-14" onclick={again}>Wait again</Button>{/if}
		</div>
		{#if pluggedAt !== null}
			<p class="m-0 text-small text-ink-2">
				Plugged in for {pluggedS.toFixed(0)} s. A receiver that finds no radio within about {RECEIVER_WAITS_S} s may need
				a new start: the maker’s manual says how long yours waits.
			</p>
		{/if}
	</div>
{:else if item.type === 'nudge' && wrong}
	<p class="mt-0 mb-3 text-step font-semibold text-hold">Throttle down, disarm. What did it do?</p>
	<div class="grid max-w-xl grid-cols-1 gap-2 sm:grid-cols-2">
		{#each ODD as { odd, words } (odd)}
			<Button class="min-h-14" disabled={busy} onclick={() => onnudge('failed', odd)}>{words}</Button>
		{/each}
	</div>
	<div class="mt-2"><Button kind="quiet" onclick={() => (wrong = false)}>It was right after all</Button></div>
{:else if item.type === 'nudge'}
	<div class="flex flex-wrap gap-3">
		<Button kind="primary" disabled={busy} onclick={() => onnudge('done')} kbd="1">Clean</Button>
		<Button class="min-h-14" disabled={busy} onclick={() => onnudge('doubtful')} kbd="2">Doubtful</Button>
		<Button class="min-h-14" disabled={busy} onclick={() => (wrong = true)} kbd="3">Wrong</Button>
	</div>
{:else if item.choices}
	<div class="flex flex-wrap gap-3">
		{#each item.choices as { words, states }, k (words)}
			<Button class="min-h-14" kbd={String(k + 1)} disabled={busy} onclick={() => onaccept(null, null, states)}
				>{words}</Button
			>
		{/each}
	</div>
{:else}
	<Button kind="primary" onclick={press} disabled={busy} kbd="↵">
		{item.type === 'confirm' ? 'Done, and it is right' : 'Seen, it is right'}
	</Button>
{/if}
