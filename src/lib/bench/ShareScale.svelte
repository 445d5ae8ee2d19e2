<script lang="ts">
	import type { GradeLimits } from '$core/bench';

	interface Props {
		/** Of label power. */
		share: number | null;
		/** Standard uncertainty of it. */
		uncertainty: number;
		limits: GradeLimits | null;
	}
	let { share, uncertainty, limits }: Props = $props();
	/** The scale ends here. */
	const END = 1.2;
	const at = (value: number) => `${(100 * Math.min(END, Math.max(0, value))) / END}%`;
</script>

<!-- Share of the label from nothing to 120 %: the label's own hundred as a line, the band as a bar. -->
<span class="scale" aria-hidden="true">
	{#if limits}
		{#each [limits.good, limits.fair, limits.weak] as limit (limit)}
			<span class="limit" style:left={at(limit)}></span>
		{/each}
	{/if}
	<span class="whole" style:left={at(1)}></span>
	{#if share !== null}
		<span
			class="band"
			style:left={at(share - 2 * uncertainty)}
			style:right="calc(100% - {at(share + 2 * uncertainty)})"
		></span>
		<span class="needle" style:left={at(share)}></span>
	{/if}
</span>

<style>
	.scale {
		position: relative;
		display: block;
		min-width: 8rem;
		height: 22px;
		border-bottom: 1px solid var(--rule);
	}

	.scale > span {
		position: absolute;
		bottom: 0;
	}

	.limit {
		height: 7px;
		border-left: 1px dashed var(--rule);
	}

	.whole {
		height: 100%;
		border-left: 1px solid var(--line);
	}

	.band {
		height: 9px;
		background: var(--lit);
		border: 1px solid var(--accent);
		border-bottom: 0;
	}

	.needle {
		width: 3px;
		height: 19px;
		margin-left: -1.5px;
		background: var(--ink);
	}
</style>
