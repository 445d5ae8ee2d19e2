<script lang="ts">
	import type { ProbableStrings } from '$core/design-checks';
	import Stepper from '$lib/ui/Stepper.svelte';

	interface Props {
		modules: number;
		ways: readonly ProbableStrings[];
		/** Strings that were chosen; null where nobody knows yet. */
		count: number | null;
	}
	let { modules, ways, count = $bindable() }: Props = $props();

	/** Index of a probable way, "own", or empty where nobody knows. */
	let strung = $state('');
	let ownStrings = $state(4);
	$effect(() => {
		const chosen =
			strung === 'own' ? ownStrings : (ways[Number(strung || Number.NaN)]?.strings ?? 0);
		count = chosen > 0 && modules % chosen === 0 ? chosen : null;
	});
</script>

<div class="ways">
	<label class:on={strung === ''}>
		<input type="radio" name="strung" value="" bind:group={strung} />
		<span><strong>Not known yet</strong><span class="soft">found out on the walk</span></span>
	</label>
	{#each ways as way, i (`${way.strings}/${way.modulesPerString}`)}
		<label class:on={strung === String(i)}>
			<input type="radio" name="strung" value={String(i)} bind:group={strung} />
			<span>
				<strong
					>{way.strings}
					{way.strings === 1 ? 'string' : 'strings'} of {way.modulesPerString}{i === 0
						? ', most probable'
						: ''}</strong
				>
				<span class="soft">{way.reasons.join('; ')}</span>
			</span>
		</label>
	{/each}
	<label class:on={strung === 'own'}>
		<input type="radio" name="strung" value="own" bind:group={strung} />
		<span><strong>I know</strong></span>
	</label>
</div>
{#if strung === 'own'}
	<div class="flow">
		<Stepper label="Strings" name="strings" bind:value={ownStrings} max={modules} />
		<p class="sum">
			{#if modules % ownStrings === 0}of <strong class="figure">{modules / ownStrings}</strong>
				{modules === ownStrings ? 'module' : 'modules'}
			{:else}{modules} modules do not share out over {ownStrings} equal strings: store the survey with
				the strings unknown, then add each string.{/if}
		</p>
	</div>
{/if}

<style>
	.ways {
		display: grid;
		gap: 0.5rem;
		margin-bottom: 0.8rem;
	}

	.ways label {
		display: flex;
		align-items: center;
		gap: 0.9rem;
		min-height: 52px;
		padding: 0.3rem 0.9rem;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.ways .on {
		background: var(--lit);
	}

	.ways label > span {
		display: grid;
		line-height: 1.3;
	}

	input[type='radio'] {
		width: 22px;
		height: 22px;
	}

	.flow {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem 1.6rem;
		align-items: end;
	}

	.sum {
		font-size: 1.15rem;
		padding-bottom: 0.8rem;
	}

	.sum .figure {
		font-size: 1.5rem;
	}
</style>
