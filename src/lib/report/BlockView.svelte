<script lang="ts">
	import { resolve } from '$app/paths';
	import DrawingView from '$lib/drawing/DrawingView.svelte';
	import type { Block, Cell } from './block';

	let { block }: { block: Block } = $props();
</script>

{#snippet said({ text, soft = [], strong }: Cell)}{#if strong}<strong>{text}</strong
		>{:else}{text}{/if}{#each soft as words, i (i)}<span class="soft below">{words}</span
		>{/each}{/snippet}

{#if block.kind === 'heading'}
	{#if block.minor}<h3>{block.text}</h3>{:else}<h2>{block.text}</h2>{/if}
{:else if block.kind === 'text'}
	<p class:soft={block.soft}>
		{#if block.strong}<strong>{block.text}</strong>{:else}{block.text}{/if}
	</p>
{:else if block.kind === 'list'}
	<ul>
		{#each block.items as item, i (i)}<li>{@render said(item)}</li>{/each}
	</ul>
{:else if block.kind === 'table'}
	<!-- What scrolls can be reached by keys. -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div class="wide" tabindex="0" role="group" aria-label="Table">
		<table>
			<thead>
				<tr>
					{#each block.columns as { words, figures }, i (i)}
						<th scope="col" class:num={figures}>{words}</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each block.rows as row, r (r)}
					<tr>
						{#each row as one, i (i)}
							{@const { words, figures } = block.columns[i]!}
							<td class:num={figures} class:figure={figures} data-words={words}
								><span>{@render said(one)}</span></td
							>
						{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
{:else if block.kind === 'drawing'}
	<DrawingView drawing={block.drawing} words={block.words} />
{:else}
	<div class="pictures">
		{#each block.pictures as { id, words }, i (i)}
			<figure>
				<img
					src={resolve('/photographs/[photograph]', { photograph: id })}
					alt={words}
					loading="lazy"
				/>
				<figcaption class="soft">{words}</figcaption>
			</figure>
		{/each}
	</div>
{/if}

<style>
	h2 {
		font-size: 1.2rem;
		margin: 1.5rem 0 0.3rem;
	}

	h3 {
		font-size: 1rem;
		margin: 0.8rem 0 0.2rem;
	}

	.below {
		display: block;
		font-size: 0.93em;
	}

	/* Tables of a hundred strings are laid out when they come into sight. */
	.wide {
		overflow-x: auto;
		content-visibility: auto;
		contain-intrinsic-size: auto 40rem;
	}

	table {
		width: 100%;
		margin: 0.4rem 0 0.6rem;
	}

	th {
		text-align: start;
		font-size: 0.88rem;
		border-bottom: var(--stroke) solid var(--rule);
		padding: 0.2rem 0.9rem 0.2rem 0;
	}

	td {
		padding: 0.28rem 0.9rem 0.28rem 0;
		border-bottom: 1px solid var(--line);
		vertical-align: top;
	}

	.num {
		text-align: end;
	}

	ul {
		list-style: square;
		padding-inline-start: 1.2rem;
	}

	.pictures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.8rem;
		margin: 0.5rem 0;
	}

	img {
		width: 100%;
		aspect-ratio: 4 / 3;
		object-fit: cover;
		border: 1px solid var(--line);
	}

	/* On a phone every row is a card, with its columns' names beside the values. */
	@media screen and (max-width: 700px) {
		thead {
			position: absolute;
			clip-path: inset(50%);
		}

		tr,
		td {
			display: block;
		}

		tr {
			padding: 0.5rem 0;
			border-bottom: var(--stroke) solid var(--rule);
		}

		td {
			display: grid;
			grid-template-columns: 7rem minmax(0, 1fr);
			gap: 0.6rem;
			padding: 0.12rem 0;
			border: 0;
			text-align: start;
		}

		.num {
			text-align: start;
		}

		td:not(:has(> span:not(:empty))) {
			display: none;
		}

		td::before {
			content: attr(data-words);
			color: var(--soft);
			font-family: 'Atkinson Hyperlegible Next', sans-serif;
			font-size: 0.88rem;
		}
	}

	@media print {
		.wide {
			content-visibility: visible;
		}

		tr,
		figure {
			break-inside: avoid;
		}

		h2 {
			break-after: avoid;
		}
	}
</style>
