<script lang="ts">
	import Camera from '@lucide/svelte/icons/camera';
	import ImageIcon from '@lucide/svelte/icons/image';
	import { onDestroy } from 'svelte';
	import { storedSize } from '$core/document';
	import type { IScannerControls } from '@zxing/browser';

	interface Props {
		onread: (code: string) => void;
		/** Stays open for the next code. */
		many?: boolean;
	}
	let { onread, many = false }: Props = $props();

	let video = $state<HTMLVideoElement>();
	let open = $state(false);
	let words = $state('');
	let controls: IScannerControls | null = null;
	/** The same code stays in front of the camera for a while; it counts once. */
	let last = '';

	/** The package is large, so it comes only when somebody reads a code. */
	const reader = async () => {
		const { BrowserMultiFormatReader } = await import('@zxing/browser');
		return new BrowserMultiFormatReader();
	};

	async function look(): Promise<void> {
		if (open) return close();
		open = true;
		words = 'Hold the code into the picture.';
		try {
			const codes = await reader();
			controls = await codes.decodeFromConstraints(
				{ video: { facingMode: 'environment' } },
				video,
				(result) => {
					const code = result?.getText().trim();
					if (!code || code === last) return;
					last = code;
					words = `Read: ${code}`;
					onread(code);
					if (!many) close();
				}
			);
			// Closed while the camera was starting.
			if (!open) controls.stop();
		} catch {
			open = false;
			words = 'No camera can be used here. Type the code, or choose a picture of it.';
		}
	}

	function close(): void {
		controls?.stop();
		controls = null;
		open = false;
	}

	async function readPicture(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const file = input.files?.[0];
		input.value = '';
		if (!file) return;
		try {
			const picture = await createImageBitmap(file);
			const canvas = document.createElement('canvas');
			const { width, height } = storedSize(picture.width, picture.height);
			Object.assign(canvas, { width, height });
			canvas.getContext('2d')!.drawImage(picture, 0, 0, width, height);
			picture.close();
			const code = (await reader()).decodeFromCanvas(canvas).getText().trim();
			words = `Read: ${code}`;
			onread(code);
		} catch {
			words = 'No code was found in this picture. Take it closer and square, or type the code.';
		}
	}

	onDestroy(close);
</script>

<div class="reader">
	<div class="acts">
		<button type="button" class="act-plain" onclick={look} title="Read a code by camera">
			<Camera size={20} aria-hidden="true" /><span class:sr-only={!many}
				>{open ? 'Close the camera' : 'Camera'}</span
			>
		</button>
		<label class="act-plain" title="Read a code from a picture">
			<ImageIcon size={20} aria-hidden="true" /><span class:sr-only={!many}>Picture</span>
			<input type="file" accept="image/*" class="sr-only" onchange={readPicture} data-codes />
		</label>
	</div>
	<video bind:this={video} class:open playsinline muted></video>
	{#if words}<p role="status">{words}</p>{/if}
</div>

<style>
	.acts {
		display: flex;
		gap: 0.5rem;
	}

	.reader :global(.act-plain) {
		padding-inline: 0.7rem;
	}

	/* Beside a field: at the height of its box, not of its label. */
	:global(.with-reader) > .reader {
		margin-top: 1.55rem;
	}

	video {
		display: none;
		width: min(100%, 24rem);
		margin-top: 0.5rem;
		border: var(--stroke) solid var(--rule);
	}

	video.open {
		display: block;
	}

	p {
		font-size: 0.92rem;
		margin-top: 0.3rem;
	}
</style>
