<script lang="ts" module>
	import type { Attachment } from 'svelte/attachments';

	/** Marks the field of a dialog that is typed into, where something else stands before it. */
	export const typeHere: Attachment = (field) => void field.setAttribute('data-type-here', '');
</script>

<script lang="ts">
	import { tick, type Snippet } from 'svelte';
	import X from '@lucide/svelte/icons/x';

	type Props = { open: boolean; title: string; description?: string; side?: boolean; children: Snippet };
	let { open = $bindable(), title, description, side = false, children }: Props = $props();

	const id = $props.id();
	let contents: HTMLElement | undefined = $state();
	/** Large contents are drawn a moment after the frame that they stand in: a tap is answered at once on a slow device too. */
	let framed = $state(false);

	/** Where one types the cursor is there; under a finger the keyboard waits until it is asked for. */
	async function fill() {
		framed = true;
		await tick();
		const first = contents?.querySelector<HTMLElement>('a, button, select, input, textarea');
		const field =
			contents?.querySelector<HTMLElement>('[data-type-here]') ?? (first?.matches('input, textarea') ? first : null);
		if (matchMedia('(pointer: fine)').matches) field?.focus({ preventScroll: true });
	}

	/**
	 * Stands above the page, which rests; notices are told in front of it. It is no part of the form or line that opened it: what happens
	 * in it does not reach them. When it is gone, the focus is where it was.
	 */
	const modal: Attachment<HTMLDialogElement> = (dialog) => {
		const focused = document.activeElement;
		const notices = document.getElementById('notices');
		const room = notices?.parentElement;
		document.body.append(dialog);
		dialog.showModal();
		if (notices) dialog.append(notices);
		const frame = requestAnimationFrame(() => setTimeout(() => void fill()));
		return () => {
			cancelAnimationFrame(frame);
			framed = false;
			dialog.remove();
			if (notices) (room?.isConnected ? room : document.body).append(notices);
			if (focused instanceof HTMLElement) focused.focus({ preventScroll: true });
		};
	};

	const place = $derived(
		side
			? 'ml-auto h-dvh max-h-dvh w-[min(360px,92vw)] border-l'
			: 'm-auto max-h-[88dvh] w-[min(560px,94vw)] rounded border',
	);
</script>

{#if open}
	<dialog
		{@attach modal}
		onclose={() => (open = false)}
		closedby="any"
		aria-labelledby="{id}-title"
		aria-describedby={description ? `${id}-about` : undefined}
		class="overflow-auto overscroll-contain border-rule bg-sheet p-5 text-ink backdrop:bg-night/50 {place}"
	>
		<div class="mb-3 flex items-start justify-between gap-4">
			<div>
				<h2 id="{id}-title" class="m-0 text-step leading-tight font-bold">{title}</h2>
				{#if description}<p id="{id}-about" class="m-0 mt-1 text-small text-ink-2">{description}</p>{/if}
			</div>
			<button
				class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
				aria-label="Close"
				onclick={() => (open = false)}
			>
				<X size={20} />
			</button>
		</div>
		<div bind:this={contents} class="contents">
			{#if framed}{@render children()}{/if}
		</div>
	</dialog>
{/if}
