<script lang="ts">
	import { Dialog } from 'bits-ui';
	import type { Snippet } from 'svelte';
	import X from '@lucide/svelte/icons/x';

	type Props = { open: boolean; title: string; description?: string; side?: boolean; children: Snippet };
	let { open = $bindable(), title, description, side = false, children }: Props = $props();

	/** Large contents are drawn a moment after the frame that they stand in: a tap is answered at once on a slow device too. */
	let framed = $state(false);
	const afterFrame = () => {
		const frame = requestAnimationFrame(() => setTimeout(() => (framed = true)));
		return () => {
			cancelAnimationFrame(frame);
			framed = false;
		};
	};

	const place = $derived(
		side
			? 'right-0 top-0 h-dvh w-[min(360px,92vw)] border-l'
			: 'left-1/2 top-1/2 max-h-[88dvh] w-[min(560px,94vw)] -translate-x-1/2 -translate-y-1/2 rounded border',
	);
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-night/50" />
		<!-- The page behind is held still by a rule of app.css: to be measured and padded took longer than to draw the dialog. -->
		<Dialog.Content
			preventScroll={false}
			class="fixed z-50 overflow-auto overscroll-contain border-rule bg-sheet p-5 {place}"
		>
			<div class="mb-3 flex items-start justify-between gap-4">
				<div>
					<Dialog.Title class="m-0 text-[20px] leading-tight font-bold">{title}</Dialog.Title>
					{#if description}<Dialog.Description class="m-0 mt-1 text-[15px] text-ink-2">{description}</Dialog.Description
						>{/if}
				</div>
				<Dialog.Close
					class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
					aria-label="Close"
				>
					<X size={20} />
				</Dialog.Close>
			</div>
			<div {@attach afterFrame} class="contents">
				{#if framed}{@render children()}{/if}
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
