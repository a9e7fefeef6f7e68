<script lang="ts">
	import Page from '$lib/features/shell/Page.svelte';
	import { TOOLS } from './tools';
</script>

<Page
	title="Measure one thing, without a session"
	name="Instruments"
	lead="Drop a file or take the practice aircraft; read the finding, keep it as a file."
>
	<ul class="m-0 grid list-none gap-0 p-0">
		{#each TOOLS as { id, title, does, takes } (id)}
			<li class="hairline">
				<a
					href="/instruments/{id}"
					class="grid gap-x-6 py-4 text-inherit no-underline hover:bg-fine md:grid-cols-[180px_minmax(0,1fr)_220px]"
				>
					<span class="text-[18px] font-semibold text-action">{title}</span><span>{does}</span><span class="text-ink-2"
						>{takes}</span
					>
				</a>
			</li>
		{/each}
	</ul>
</Page>
