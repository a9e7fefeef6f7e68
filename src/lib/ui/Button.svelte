<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLButtonAttributes } from 'svelte/elements';

	type Props = HTMLButtonAttributes & {
		kind?: 'primary' | 'plain' | 'quiet';
		href?: string | undefined;
		kbd?: string | undefined;
		children: Snippet;
	};
	let { kind = 'plain', href, kbd, children, class: extra = '', ...rest }: Props = $props();

	const LOOK = {
		primary: 'min-h-14 px-5 bg-action text-on-action border-action font-semibold text-lead',
		plain: 'min-h-11 px-gutter text-action border-action font-semibold bg-sheet hover:bg-action-soft',
		quiet: 'min-h-11 px-2 text-action border-transparent font-semibold hover:bg-action-soft',
	};
	const look = $derived(
		`inline-flex items-center justify-center gap-2 rounded border text-center no-underline cursor-pointer disabled:opacity-50 disabled:cursor-not-allowed ${LOOK[kind]} ${extra}`,
	);
</script>

{#snippet content()}
	{@render children()}
	{#if kbd}<kbd
			class="rounded-sm border border-current px-1.5 font-mono text-xs opacity-80 max-md:hidden"
			aria-hidden="true">{kbd}</kbd
		>{/if}
{/snippet}

{#if href}
	<a {href} class={look} aria-label={rest['aria-label']}>{@render content()}</a>
{:else}
	<button type="button" class={look} {...rest}>{@render content()}</button>
{/if}
