<script lang="ts">
	import { figure } from '$lib/core/figures/figure';
	import { judgeTrim, trimAxis, type TrimSeen } from '$lib/core/hover/toyTrim';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { preferences } from '$lib/ui/preferences.svelte';
	import { goto } from '$app/navigation';
	import { z } from 'zod';

	/** Trim against a creep: what it did in five seconds, hands off, in the open; how many clicks next; or the flat zero again. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const WATCH_S = 5;
	/** Steps in the time that is watched: none, half a one, and so on. */
	const AMOUNTS = [0, 0.5, 1, 2, 4] as const;
	const AXES = [
		{ id: 'forward', plus: 'forward', minus: 'back' },
		{ id: 'right', plus: 'right', minus: 'left' },
	] as const;
	type AxisId = (typeof AXES)[number]['id'];
	const trySchema = z.object({ clicks: z.number(), creepMps: z.number() });
	const schema = z.object({ forward: z.array(trySchema), right: z.array(trySchema) });

	let tries = $state.raw<Record<AxisId, TrimSeen[]>>({ forward: [], right: [] });
	/** Told of the try that is on now, in steps with their sign. */
	let told = $state<Record<AxisId, number | null>>({ forward: null, right: null });
	const half = keepDraft(
		`trim ${view.half}`,
		() => (tries.forward.length > 0 ? $state.snapshot(tries) : null),
		(found) => {
			const read = schema.safeParse(found);
			if (read.success) tries = read.data;
		},
	);
	const found = $derived(
		tries.forward.length === 0 ? null : { forward: trimAxis(tries.forward), right: trimAxis(tries.right) },
	);
	const clicks = $derived({ forward: found?.forward.next ?? 0, right: found?.right.next ?? 0 });
	const over = $derived(found !== null && found.forward.done && found.right.done);
	const redo = $derived(found !== null && (found.forward.redoZero || found.right.redoZero));
	const moving = $derived(found !== null && (found.forward.contradictory || found.right.contradictory));
	const place = (id: AxisId) => {
		const axis = AXES.find((a) => a.id === id);
		const n = clicks[id];
		return n === 0 ? 'none' : `${Math.abs(n)} ${n > 0 ? axis?.plus : axis?.minus}`;
	};
	const title = $derived(
		over
			? 'It stands still: the trim is right'
			: moving
				? 'What it did does not fit together: wait for still air'
				: redo
					? 'Too far off for a trim: do the flat zero again'
					: found
						? `Trim: ${place('forward')}, ${place('right')} clicks from where it came; then let it go again`
						: 'Hands off for five seconds, in the open: where did it creep?',
	);
	function tell() {
		if (told.forward === null || told.right === null) return;
		const creep = (steps: number) => (steps * preferences.stepM) / WATCH_S;
		tries = {
			forward: [...tries.forward, { clicks: clicks.forward, creepMps: creep(told.forward) }],
			right: [...tries.right, { clicks: clicks.right, creepMps: creep(told.right) }],
		};
		told = { forward: null, right: null };
	}
	async function keep() {
		if (!found) return;
		try {
			await view.record('hover', {
				kind: 'test',
				task: 'trim',
				grade: view.grade('seen'),
				headline: title,
				...judgeTrim([found.forward, found.right]),
				sourceName: `${tries.forward.length} tries by eye`,
				figures: AXES.map(({ id, plus }) =>
					figure('trim-clicks', clicks[id], { part: id, name: plus, sigma: found[id].sigma }),
				),
			});
			half.forget();
			done('Recorded');
			await goto(view.href('hover'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet {title} lead="Trim of {aircraft.name}" name="Trim">
	{#snippet margin()}
		<h2 class="mt-5 mb-1">So far</h2>
		<ul class="m-0 list-none p-0 text-small">
			{#each tries.forward as { clicks: at, creepMps }, k (k)}
				<li class="hairline py-1">
					{at} forward, {tries.right[k].clicks} right: crept {creepMps.toFixed(2)} m/s forward, {tries.right[
						k
					].creepMps.toFixed(2)} m/s right
				</li>
			{:else}<li class="py-1 text-ink-2">No try yet.</li>{/each}
		</ul>
		<p class="text-small text-ink-2">Trim clicks go against the creep. Your step stands in the settings.</p>
	{/snippet}
	<div class="mt-4 max-w-read">
		<Caution
			>Two metres from walls, curtains and people: near a wall its own air pushes it, and no trim takes that out.</Caution
		>
	</div>
	{#if !over && !redo}
		<div class="mt-4 grid max-w-2xl gap-5">
			{#each AXES as { id, plus, minus } (id)}
				<Choice
					label="In five seconds, {minus} or {plus}, in steps"
					value={told[id] === null ? '' : String(told[id])}
					options={[
						...AMOUNTS.slice(1)
							.toReversed()
							.map((v) => -v),
						...AMOUNTS,
					].map((steps) => ({
						value: String(steps),
						label: steps === 0 ? 'still' : `${Math.abs(steps)} ${steps > 0 ? plus : minus}`,
					}))}
					onchange={(v) => (told = { ...told, [id]: Number(v) })}
				/>
			{/each}
			<div>
				<Button kind="primary" disabled={told.forward === null || told.right === null} onclick={tell}
					>That is what it did</Button
				>
			</div>
		</div>
	{/if}
	{#if found}
		<div class="mt-5 flex flex-wrap gap-3">
			<Button kind={over || redo ? 'primary' : 'plain'} class="min-h-14" onclick={() => void keep()}>Record it</Button>
			<Button class="min-h-14" onclick={() => (tries = { forward: [], right: [] })}>Begin again</Button>
		</div>
	{/if}
</Sheet>
