<script lang="ts">
	type Props = {
		label: string;
		value: string;
		unit?: string;
		sigma?: string;
		size?: 'big' | 'huge' | 'plain';
		note?: string;
	};
	let { label, value, unit = '', sigma = '', size = 'big', note = '' }: Props = $props();
	const SIZE = { huge: 'text-giant', big: 'text-figure', plain: 'text-head' };
</script>

<div>
	<p class="m-0 text-small text-ink-2">{label}</p>
	<p class="figure-mono m-0 leading-tight font-bold {SIZE[size]}">
		{value}{#if unit}<span class="ml-1 text-[max(0.45em,15px)] font-medium text-ink-2">{unit}</span
			>{/if}{#if sigma}<span class="ml-2 text-[max(0.4em,15px)] font-medium text-ink-2">± {sigma}</span>{/if}
	</p>
	{#if note}<p class="m-0 text-note text-ink-2">{note}</p>{/if}
</div>
