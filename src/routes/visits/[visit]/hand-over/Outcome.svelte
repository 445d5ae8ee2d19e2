<script lang="ts">
	import type { Assessment } from '$core/trace/assess';
	import type { Finding } from '$lib/ui/findings';
	import { chance } from '$lib/ui/words';

	interface Props {
		assessment: Assessment;
		findings: readonly Finding[];
	}
	let { assessment, findings }: Props = $props();
</script>

<section>
	<h2>Outcome</h2>
	{#if assessment.noCauses}
		<p>{assessment.noCauses}</p>
	{:else if findings.length === 0}
		<p>Nothing wrong that these readings can show.</p>
	{:else}
		<table class="outcome">
			<thead
				><tr><th>String</th><th>Cause</th><th class="num">Chance</th><th>Measure next</th></tr
				></thead
			>
			<tbody>
				{#each findings as { key, name, causes, tests } (key)}
					{#each causes as cause, i (cause.id)}
						<tr>
							<td class="figure">{i === 0 ? name : ''}</td>
							<td
								>{cause.title}{#if cause.where}, {cause.where}{/if}{#if cause.perhaps}. {cause.perhaps}{/if}
								{#each cause.reasons.filter(({ weighs }) => weighs === 'for') as reason, r (r)}
									<span class="reason soft">{reason.words}</span>
								{/each}</td
							>
							<td class="num figure">{chance(cause.probability)}</td>
							<td>{i === 0 ? (tests[0]?.title ?? '') : ''}</td>
						</tr>
					{/each}
				{/each}
			</tbody>
		</table>
	{/if}
	<p class="soft">Not tested: {assessment.untested.join(' ')}</p>
</section>

<style>
	.reason {
		display: block;
		font-size: 0.92em;
	}

	/* Four columns do not stand beside each other on a phone. */
	@media screen and (max-width: 560px) {
		table.outcome thead {
			display: none;
		}

		table.outcome tbody tr,
		table.outcome tbody td {
			display: block;
		}

		table.outcome tbody tr {
			border-bottom: 1px solid var(--line);
			padding-block: 0.4rem;
		}

		table.outcome tbody td {
			border: 0;
			padding: 0.1rem 0;
			text-align: start;
		}

		table.outcome tbody td:first-child {
			font-weight: 700;
		}

		table.outcome tbody td:last-child:not(:empty)::before {
			content: 'Next: ';
			color: var(--soft);
		}
	}
</style>
