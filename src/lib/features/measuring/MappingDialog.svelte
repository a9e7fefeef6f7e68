<script lang="ts">
	import WideTable from '$lib/ui/WideTable.svelte';
	import { missingRoles } from '$lib/core/record/missingRoles';
	import type { Choices } from '$lib/core/record/columns';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { TableFlow } from './tableFlow.svelte';

	/** Asks what the columns of a table are and in which unit; remembered for the next log of the same layout. */
	let { flow }: { flow: TableFlow } = $props();

	/** Tables of more columns than these list them where they are asked for, not all in every field. */
	const MOST_LISTED = 40;

	const table = $derived(flow.asking);
	const many = $derived((table?.headers.length ?? 0) > MOST_LISTED);
	/** The role of the field in hand. */
	let inHand = $state<string | null>(null);
	/** The columns that a field offers: all, or the one chosen until the field is in hand. */
	function listedFor(role: string): { header: string; k: number }[] {
		const all = (table?.headers ?? []).map((header, k) => ({ header, k }));
		return !many || inHand === role ? all : all.filter(({ k }) => k === choices[role]?.column);
	}
	/** The columns of the first rows that are shown: all, or the chosen ones and the first ones. */
	const shown = $derived.by(() => {
		const all = [...(table?.headers.keys() ?? [])];
		if (!many) return all;
		const chosen = new Set(Object.values(used).map(({ column }) => column));
		return all.filter((k) => k < MOST_LISTED || chosen.has(k));
	});
	let own = $state<Choices>({});
	const choices = $derived<Choices>({ ...table?.guess.choices, ...own });
	const used = $derived(
		Object.fromEntries(Object.entries(choices).filter(([, choice]) => choice.column >= 0)) as Choices,
	);
	/** Groups with a unit that the pilot has chosen. */
	let settled = $state<string[]>([]);
	const unclear = $derived(new Set(table?.guess.unclear.filter((group) => !settled.includes(group))));
	const missing = $derived(missingRoles(flow.roles, used, (choices) => flow.complete(choices)));

	function setColumn(name: string, text: string) {
		const column = Number(text);
		const role = flow.roles.find((r) => r.name === name);
		const unit = choices[name]?.unit ?? Object.keys(role?.units ?? {})[0] ?? '';
		own = { ...own, [name]: { column, unit } };
	}
	function setUnit(group: string, unit: string) {
		settled = [...settled, group];
		const changed = flow.roles
			.filter((r) => r.group === group && choices[r.name])
			.map((r) => [r.name, { column: choices[r.name].column, unit }] as const);
		own = { ...own, ...Object.fromEntries(changed) };
	}
	function answer(choice: Choices | null) {
		[own, settled] = [{}, []];
		flow.answer(choice);
	}
	const groups = $derived([...new Set(flow.roles.map((r) => r.group))]);
</script>

<Dialog
	bind:open={() => table !== null, (open) => !open && answer(null)}
	title="What are these columns?"
	description={table ? `${table.fileName}, ${table.rows} rows. Asked once for logs of this layout.` : ''}
>
	{#if table}
		<WideTable label="First rows" matrix>
			<table class="text-mini">
				<thead
					><tr
						>{#each shown as k (k)}<th scope="col">{table.headers[k]}</th>{/each}</tr
					></thead
				>
				<tbody>
					{#each table.sample.slice(0, 3) as row, k (k)}
						<tr
							>{#each shown as j (j)}<td class="font-mono">{row[j] ?? ''}</td>{/each}</tr
						>
					{/each}
				</tbody>
			</table>
		</WideTable>
		{#if shown.length < table.headers.length}<p class="m-0 mt-1 text-note text-ink-2">
				{shown.length} of {table.headers.length} columns
			</p>{/if}
		{#each groups as group (group)}
			{@const roles = flow.roles.filter((r) => r.group === group)}
			{@const unitNames = Object.keys(roles[0].units)}
			<fieldset class="m-0 mt-4 border-0 p-0">
				<legend class="sr-only">{roles[0].label}</legend>
				{#each roles as role (role.name)}
					<label class="flex min-h-11 items-center gap-3">
						<span class="w-36">{role.label}{role.required ? ' *' : ''}</span>
						<select
							class="field-input flex-1"
							value={String(choices[role.name]?.column ?? -1)}
							onpointerdown={() => (inHand = role.name)}
							onfocus={() => (inHand = role.name)}
							onchange={(event) => setColumn(role.name, event.currentTarget.value)}
						>
							<option value="-1">not in this log</option>
							{#each listedFor(role.name) as { header, k } (k)}<option value={String(k)}>{header}</option>{/each}
						</select>
						<span class="w-20 truncate font-mono text-mini text-ink-2 max-sm:hidden" title="First value of this column"
							>{table.sample[0]?.[choices[role.name]?.column ?? -1] ?? ''}</span
						>
					</label>
				{/each}
				{#if unitNames.length > 1 && roles.some((r) => used[r.name])}
					<label class="flex min-h-11 items-center gap-3">
						<span class="w-36 {unclear.has(group) ? 'font-bold text-hold' : ''}"
							>Unit{unclear.has(group) ? ': check' : ''}</span
						>
						<select
							class="field-input flex-1"
							value={roles.map((r) => choices[r.name]?.unit).find((unit) => unit !== undefined)}
							onchange={(event) => setUnit(group, event.currentTarget.value)}
						>
							{#each unitNames as unit (unit)}<option value={unit}>{unit}</option>{/each}
						</select>
					</label>
				{/if}
			</fieldset>
		{/each}
		<div class="mt-5 flex flex-wrap gap-3">
			<Button kind="primary" disabled={!flow.complete(used)} onclick={() => answer($state.snapshot(used))}
				>Use these columns</Button
			>
			{#if missing !== ''}<p class="m-0 self-center font-semibold text-hold" role="status">
					Column missing: {missing}
				</p>{/if}
		</div>
	{/if}
</Dialog>
