<script lang="ts">
	import { GLOSSARY } from '$lib/words/glossary';
	import Page from '$lib/features/shell/Page.svelte';

	/** The words of the field, in plain words: each can be linked to by its own address. */
</script>

<Page
	title="What the words mean"
	name="Words"
	lead="Heading against position, what each sensor does, what each mode needs."
>
	<dl class="m-0 max-w-read">
		{#each GLOSSARY as { id, term, says } (id)}
			<div {id} class="hairline scroll-mt-20 py-3">
				<dt class="text-step font-bold">{term}</dt>
				<dd class="m-0 text-lead">{says}</dd>
			</div>
		{/each}
	</dl>
</Page>
