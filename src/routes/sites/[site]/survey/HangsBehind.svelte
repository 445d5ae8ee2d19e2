<script lang="ts">
	import { BEHIND, type Survey } from '$core/document';
	import Behind from './Behind.svelte';

	interface Props {
		behind: Survey['behind'];
		dcBox: Survey['dcBox'];
		perDevice: 1 | 2;
	}
	let { behind = $bindable(), dcBox = $bindable(), perDevice = $bindable() }: Props = $props();

	const BEHIND_WORDS: Readonly<Record<Survey['behind'], readonly [string, string]>> = {
		nothing: ['Only the junction box', 'two leads go on to the next module: string inverter'],
		'dc-box': ['A box, DC out', 'its leads have DC plugs: optimiser or rapid shutdown'],
		'ac-box': ['A box, AC out', 'a trunk cable runs along: micro-inverter'],
		unknown: ['Cannot see', 'it goes on the list']
	};
</script>

<div class="pictures">
	{#each BEHIND as kind (kind)}
		<button
			type="button"
			class="picture"
			aria-pressed={behind === kind}
			onclick={() => (behind = kind)}
		>
			<Behind {kind} />
			<strong>{BEHIND_WORDS[kind][0]}</strong>
			<span class="soft">{BEHIND_WORDS[kind][1]}</span>
		</button>
	{/each}
</div>
{#if behind === 'dc-box'}
	<div class="chips" role="group" aria-label="What the box is">
		{#each [['optimiser', 'Optimiser'], ['rapid-shutdown', 'Rapid shutdown'], ['unknown', 'Cannot tell']] as const as [value, words] (value)}
			<button type="button" aria-pressed={dcBox === value} onclick={() => (dcBox = value)}
				>{words}</button
			>
		{/each}
	</div>
{/if}
{#if behind === 'dc-box' || behind === 'ac-box'}
	<div class="chips" role="group" aria-label="Modules on each box">
		{#each [1, 2] as const as each (each)}
			<button type="button" aria-pressed={perDevice === each} onclick={() => (perDevice = each)}
				>{each === 1 ? 'One module each' : 'Two modules each'}</button
			>
		{/each}
	</div>
{/if}

<style>
	.pictures {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
		gap: 0.8rem;
	}

	.picture {
		display: grid;
		justify-items: start;
		gap: 0.15rem;
		padding: 0.7rem;
		text-align: start;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		line-height: 1.3;
	}

	.picture[aria-pressed='true'],
	.chips [aria-pressed='true'] {
		outline: 3px solid var(--accent);
		outline-offset: -1px;
		background: var(--lit);
	}

	.chips {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.8rem 0;
	}

	.chips button {
		min-height: 48px;
		padding: 0 1.1rem;
		font-weight: 600;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}
</style>
