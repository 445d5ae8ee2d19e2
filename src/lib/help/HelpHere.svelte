<script lang="ts">
	import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
	import { tick } from 'svelte';
	import { page } from '$app/state';
	import { helpOf } from './stages';
	import { GLOSSARY, SHORTCUTS } from './words';

	let dialog: HTMLDialogElement;
	let shown = $state(false);
	const help = $derived(helpOf(page.route.id));

	async function open(): Promise<void> {
		shown = true;
		await tick();
		dialog.showModal();
	}

	/** A question mark asks for help wherever nothing is being typed. */
	function ask(event: KeyboardEvent): void {
		const typing = (event.target as Element | null)?.closest?.(
			'input, textarea, select, [role=application]'
		);
		if (event.key !== '?' || typing || dialog.open) return;
		event.preventDefault();
		void open();
	}
</script>

<svelte:window onkeydown={ask} />

<button type="button" class="open" aria-label="Help" onclick={open} aria-haspopup="dialog">
	<CircleQuestionMark size={20} aria-hidden="true" /><span>Help</span>
</button>

<!-- A press beside the sheet closes it, as Escape does. -->
<dialog
	bind:this={dialog}
	aria-labelledby="help-title"
	onclick={(event) => event.target === dialog && dialog.close()}
	onclose={() => (shown = false)}
>
	{#if shown}
		<div class="sheet">
			<header>
				<h2 id="help-title">{help.title}</h2>
				<form method="dialog"><button class="act-plain">Close</button></form>
			</header>
			<p class="purpose">{help.purpose}</p>
			<p><strong>You need</strong> {help.needs.charAt(0).toLowerCase()}{help.needs.slice(1)}</p>
			<details>
				<summary>Words on every screen</summary>
				<dl>
					{#each GLOSSARY as [word, means] (word)}
						<dt>{word}</dt>
						<dd>{means}</dd>
					{/each}
				</dl>
			</details>
			<details>
				<summary>Keys</summary>
				{#each SHORTCUTS as [where, keys] (where)}
					<h3>{where}</h3>
					<dl>
						{#each keys as [key, does] (key)}
							<dt class="figure">{key}</dt>
							<dd>{does}</dd>
						{/each}
					</dl>
				{/each}
			</details>
			<p class="soft">A “?” beside a field says what it asks for and where that is found.</p>
		</div>
	{/if}
</dialog>

<style>
	.open {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		min-width: 44px;
		min-height: 44px;
		justify-content: center;
		color: var(--accent);
	}

	dialog {
		margin: auto;
		width: min(40rem, 100vw - 1.5rem);
		max-height: calc(100dvh - 2rem);
		padding: 0;
		background: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 4px;
	}

	dialog::backdrop {
		background: rgb(0 0 0 / 0.45);
	}

	.sheet {
		display: grid;
		gap: 0.7rem;
		padding: 1.2rem 1.4rem 1.4rem;
	}

	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
	}

	h2 {
		font-size: 1.4rem;
	}

	h3 {
		margin-top: 0.6rem;
		font-size: 1rem;
	}

	.purpose {
		font-size: 1.1rem;
	}

	dl {
		display: grid;
		grid-template-columns: minmax(7.5rem, auto) minmax(0, 1fr);
		gap: 0.2rem 1rem;
	}

	dt {
		font-weight: 600;
	}

	@media (max-width: 700px) {
		.open span {
			display: none;
		}
	}
</style>
