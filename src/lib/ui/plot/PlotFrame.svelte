<script lang="ts" module>
	/** What a plot shows, as rows: for reading exact values and for those who do not see it. */
	export interface PlotTable {
		head: readonly string[];
		rows: readonly (readonly string[])[];
	}
</script>

<script lang="ts">
	import type { Snippet } from 'svelte';
	import { download } from '../download';
	import { failed } from '../notify';
	import { pngOf } from './exportPicture';

	/** The frame of every plot: title, what is read off, the drawing at its own size, a note, its table and its picture. */
	type Props = {
		title: string;
		/** What the drawing says, for those who do not see it. */
		label: string;
		width: number;
		height: number;
		table?: PlotTable | undefined;
		note?: string | undefined;
		/** Whether it fills the width it has, or is at most so wide as drawn. */
		wide?: boolean;
		/** What is read off at the moment. */
		readout?: string | undefined;
		tools?: Snippet | undefined;
		/** Over the drawing: what is pressed and moved. */
		overlay?: Snippet | undefined;
		/** The width that it has, px. */
		clientWidth?: number;
		children: Snippet;
	};
	let {
		title,
		label,
		width,
		height,
		table,
		note,
		wide,
		readout,
		tools,
		overlay,
		clientWidth = $bindable(640),
		children,
	}: Props = $props();

	let svg = $state<SVGSVGElement>();
	async function savePicture() {
		try {
			if (svg) download(`${title.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.png`, await pngOf(svg), 'image/png');
		} catch (error) {
			failed(error);
		}
	}
	const tool = 'cursor-pointer border-0 bg-transparent p-0 py-2 text-action underline-offset-2 hover:underline';
</script>

<figure class="m-0" bind:clientWidth>
	<figcaption class="font-semibold">{title}</figcaption>
	<div class="relative {wide ? '' : 'max-w-[440px]'}">
		<svg bind:this={svg} viewBox="0 0 {width} {height}" class="block w-full" role="img" aria-label={label}>
			{@render children()}
		</svg>
		{@render overlay?.()}
	</div>
	{#if readout !== undefined}<p class="figure-mono m-0 min-h-[1.4em] text-note" aria-hidden="true">{readout}</p>{/if}
	{#if note}<p class="m-0 text-note text-ink-2">{note}</p>{/if}
	<div class="no-print flex flex-wrap items-start gap-x-5 text-note">
		{#if table}
			<details class="open:basis-full open:pb-2">
				<summary class="{tool} list-inside">As a table</summary>
				<div class="overflow-x-auto">
					<table class="max-w-xl">
						<thead
							><tr
								>{#each table.head as name, k (k)}<th scope="col" class={k > 0 ? 'num' : ''}>{name}</th>{/each}</tr
							></thead
						>
						<tbody>
							{#each table.rows as row, index (index)}<tr
									>{#each row as text, k (k)}<td class={k > 0 ? 'num' : 'font-mono'}>{text}</td>{/each}</tr
								>{/each}
						</tbody>
					</table>
				</div>
			</details>
		{/if}
		<button type="button" class={tool} onclick={() => void savePicture()} aria-label="Save as a picture: {title}"
			>Save as a picture</button
		>
		{@render tools?.()}
	</div>
</figure>
