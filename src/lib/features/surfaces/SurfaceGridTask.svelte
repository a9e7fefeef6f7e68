<script lang="ts">
	import { figure } from '$lib/core/figures/figure';
	import { goto } from '$app/navigation';
	import { SURFACE_WORDS } from '$lib/features/aircraft/partWords';
	import {
		judgeSurfaces,
		judgeThrows,
		SURFACE_NAMES,
		surfaceSteps,
		type Seen,
		type SeenStep,
		type SurfaceId,
		type Throw,
		type Throws,
	} from '$lib/core/propulsion/surfaces';
	import { judge } from '$lib/core/finding/reasons';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { inField } from '$lib/features/shell/keys';
	import { aircraftSchema, type Aircraft } from '$lib/schema/records';
	import { saveAircraft } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import SurfaceDrawing from '$lib/ui/SurfaceDrawing.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { z } from 'zod';

	/** Every surface by stick and by its stabiliser, one movement after the other: as drawn, or what it did instead. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const kind = $derived(aircraft.surfaces ?? null);
	const plan = $derived(kind ? surfaceSteps(kind) : []);
	let seen = $state.raw<SeenStep[]>([]);
	let differs = $state<Partial<Record<SurfaceId, Seen>> | null>(null);
	const kept = z.array(
		z.object({
			axis: z.enum(['roll', 'pitch', 'yaw']),
			by: z.enum(['stick', 'stabiliser']),
			seen: z.partialRecord(
				z.enum(['left', 'right', 'elevator', 'rudder', 'tail-left', 'tail-right']),
				z.enum(['right', 'reversed', 'still']),
			),
		}),
	);
	const half = keepDraft(
		`surfaces ${view.half}`,
		() => (seen.length > 0 ? $state.snapshot(seen) : null),
		(found) => {
			const read = kept.safeParse(found);
			if (read.success) seen = read.data as SeenStep[];
		},
	);
	const step = $derived(plan[seen.length] ?? null);
	const surfaces = $derived(kind ? (Object.keys(SURFACE_NAMES[kind]) as SurfaceId[]) : []);
	/** Millimetres at the trailing edge, as far as both ways were measured. */
	let measured = $state<Partial<Record<SurfaceId, Partial<Throw>>>>({});
	const whole = (of: Partial<Record<SurfaceId, Partial<Throw>>>): Throws =>
		Object.fromEntries(
			Object.entries(of).filter(([, { upMm, downMm }]) => typeof upMm === 'number' && typeof downMm === 'number'),
		) as Throws;
	const finding = $derived.by(() => {
		if (!kind || plan.length === 0 || step) return null;
		const grid = judgeSurfaces(kind, seen);
		const throws = judgeThrows(kind, whole(measured), aircraft.throws ?? {});
		const judged = judge([...grid.reasons, ...throws]);
		return { headline: grid.verdict === 'pass' ? judged.reasons[0].text : grid.headline, ...judged };
	});
	const setThrow = (id: SurfaceId, change: Partial<Throw>) =>
		(measured = { ...measured, [id]: { ...measured[id], ...change } });
	async function setSheet(id: SurfaceId, change: Partial<Throw>) {
		const next = { ...sheet, [id]: { ...sheet[id], ...change } };
		sheet = next;
		try {
			await saveAircraft(
				aircraftSchema.parse({ ...$state.snapshot(aircraft), throws: { ...aircraft.throws, ...whole(next) } }),
			);
		} catch (error) {
			failed(error);
		}
	}
	// svelte-ignore state_referenced_locally
	let sheet = $state<Partial<Record<SurfaceId, Partial<Throw>>>>({ ...aircraft.throws });
	const named = (id: string) => (kind ? SURFACE_NAMES[kind][id as SurfaceId] : undefined) ?? id;
	const wordsOf = (wanted: object) =>
		Object.entries(wanted)
			.map(([id, move]) => `${named(id)} ${move}`)
			.join(', ');
	const title = $derived(
		finding ? finding.headline : step ? `${step.say}: ${wordsOf(step.wanted)}` : 'How are its surfaces made?',
	);

	async function setKind(surfaces: Aircraft['surfaces']) {
		try {
			await saveAircraft(aircraftSchema.parse({ ...$state.snapshot(aircraft), surfaces }));
		} catch (error) {
			failed(error);
		}
	}
	function tell(what: Partial<Record<SurfaceId, Seen>>) {
		if (!step) return;
		const { axis, by, wanted } = step;
		const whole = Object.fromEntries((Object.keys(wanted) as SurfaceId[]).map((id) => [id, what[id] ?? 'right']));
		seen = [...seen, { axis, by, seen: whole }];
		differs = null;
	}
	async function keep() {
		if (!finding) return;
		try {
			await view.record('response', {
				kind: 'test',
				task: 'surface-grid',
				grade: view.grade('seen'),
				...finding,
				sourceName: 'every surface, by stick and by stabiliser',
				figures: [
					figure('movements-seen', seen.length),
					...(Object.entries(whole(measured)) as [SurfaceId, Throw][]).flatMap(([id, { upMm, downMm }]) => [
						figure('throw-up', upMm, { part: id, name: named(id) }),
						figure('throw-down', downMm, { part: id, name: named(id) }),
					]),
				],
			});
			half.forget();
			done('Recorded');
			await goto(view.href('response'));
		} catch (error) {
			failed(error);
		}
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		if (event.target instanceof HTMLElement && event.target.closest('button, a')) return;
		if (!step || differs || (event.key !== 'Enter' && event.key !== ' ')) return;
		event.preventDefault();
		tell({});
	}
</script>

<svelte:window {onkeydown} />

<Sheet
	{title}
	lead="Surfaces of {aircraft.name}{step ? ` · ${seen.length + 1} of ${plan.length}` : ''}"
	name="Surfaces"
	{finding}
>
	{#snippet margin()}
		<h2 class="mt-5 mb-1">Why both</h2>
		<p class="mt-0">
			The stick may be right and the stabiliser reversed: it flies well until the mode is switched, and then turns over.
		</p>
	{/snippet}
	<div class="mt-4 max-w-read">
		<Caution
			>Disarmed, and nobody before or beside the propeller. Before every flight, not only the first: a plug comes loose,
			a reversed servo does not tell.</Caution
		>
	</div>

	{#if !kind}
		<div class="mt-4">
			<Choice
				label="As built; kept with {aircraft.name}"
				stacked
				value=""
				options={Object.entries(SURFACE_WORDS).map(([value, label]) => ({ value, label }))}
				onchange={(value) =>
					void setKind((Object.keys(SURFACE_WORDS) as (keyof typeof SURFACE_WORDS)[]).find((k) => k === value))}
			/>
		</div>
	{:else if step}
		<div class="mt-4">
			<SurfaceDrawing {kind} moves={step.wanted} label="{step.say}: {wordsOf(step.wanted)}" />
		</div>
		{#if differs}
			<div class="mt-3 grid max-w-xl gap-4">
				{#each Object.keys(step.wanted) as id (id)}
					<Choice
						label="The {named(id)}"
						value={differs[id as SurfaceId] ?? 'right'}
						options={[
							{ value: 'right', label: 'As drawn' },
							{ value: 'reversed', label: 'The other way' },
							{ value: 'still', label: 'Did not move' },
						]}
						onchange={(what) => (differs = { ...differs, [id]: what as Seen })}
					/>
				{/each}
				<div class="flex flex-wrap gap-3">
					<Button kind="primary" onclick={() => tell(differs ?? {})}>That is what it did</Button>
					<Button class="min-h-14" onclick={() => (differs = null)}>It was as drawn after all</Button>
				</div>
			</div>
		{:else}
			<div class="mt-3 flex flex-wrap gap-3">
				<Button kind="primary" kbd="↵" onclick={() => tell({})}>As drawn</Button>
				<Button class="min-h-14" onclick={() => (differs = {})}>Something else</Button>
				{#if seen.length > 0}<Button kind="quiet" class="min-h-14" onclick={() => (seen = seen.slice(0, -1))}
						>One back</Button
					>{/if}
			</div>
		{/if}
	{:else if finding}
		<div class="mt-4 max-w-3xl"><Reasons reasons={finding.reasons} /></div>
		<details class="mt-3 max-w-3xl">
			<summary class="min-h-14 cursor-pointer py-4 text-lead font-semibold"
				>Throws, measured at the trailing edge</summary
			>
			<p class="mt-1 mb-2 text-small text-ink-2">
				Full stick in direct control, a ruler beside the edge. What the sheet says is kept with {aircraft.name}.
			</p>
			{#each surfaces as id (id)}
				<div class="hairline flex flex-wrap items-end gap-4 py-2" role="group" aria-label="Throws of the {named(id)}">
					<span class="w-full font-semibold">{named(id)}</span>
					{#each ['upMm', 'downMm'] as const as way (way)}
						<NumberField
							label={way === 'upMm' ? 'up' : 'down'}
							unit="mm"
							min={0}
							max={200}
							value={measured[id]?.[way] ?? null}
							onchange={(v) => setThrow(id, { [way]: v ?? undefined })}
						/>
						<NumberField
							label={way === 'upMm' ? 'sheet up' : 'sheet down'}
							unit="mm"
							min={0}
							max={200}
							value={sheet[id]?.[way] ?? null}
							onchange={(v) => void setSheet(id, { [way]: v ?? undefined })}
						/>
					{/each}
				</div>
			{/each}
		</details>
		<div class="mt-3 flex flex-wrap gap-3">
			<Button kind="primary" onclick={() => void keep()}>Record it</Button>
			<Button class="min-h-14" onclick={() => (seen = [])}>All again</Button>
		</div>
	{/if}
</Sheet>
