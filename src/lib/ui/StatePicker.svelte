<script lang="ts">
	import { stateWords, type SwitchingState } from '$core/expectation/switching';

	interface Props {
		state: SwitchingState;
		usual: SwitchingState;
		onchange: (state: SwitchingState) => void;
	}
	let { state, usual, onchange }: Props = $props();

	interface Choice {
		readonly key: keyof SwitchingState;
		readonly words: string;
		readonly options: readonly (readonly [string, string])[];
	}
	const CHOICES: readonly Choice[] = [
		{
			key: 'ac',
			words: 'Inverter',
			options: [
				['on', 'on'],
				['off', 'off']
			]
		},
		{
			key: 'disconnect',
			words: 'DC disconnect',
			options: [
				['closed', 'closed'],
				['open', 'open']
			]
		},
		{
			key: 'fuse',
			words: 'String fuse',
			options: [
				['in', 'in'],
				['out', 'out'],
				['none', 'none']
			]
		},
		{
			key: 'siblings',
			words: 'Other strings',
			options: [
				['joined', 'joined'],
				['isolated', 'isolated']
			]
		},
		{
			key: 'transmitter',
			words: 'Shutdown transmitter',
			options: [
				['none', 'none'],
				['fed', 'fed'],
				['off', 'off']
			]
		}
	];
	const otherwise = $derived(JSON.stringify(state) !== JSON.stringify(usual));
</script>

<details class:otherwise>
	<summary>
		{stateWords(state)}{#if otherwise}<strong>, as you say</strong>{/if}
	</summary>
	<div>
		{#each CHOICES as { key, words, options } (key)}
			<label
				>{words}
				<select
					class="bare"
					name="state-{key}"
					value={state[key]}
					onchange={(event) => onchange({ ...state, [key]: event.currentTarget.value })}
				>
					{#each options as [value, text] (value)}<option {value}>{text}</option>{/each}
				</select>
			</label>
		{/each}
	</div>
</details>

<style>
	summary {
		display: flex;
		align-items: center;
		min-height: 44px;
		font-size: 0.92rem;
		text-decoration: underline dotted;
		text-underline-offset: 0.25em;
	}

	summary strong {
		color: var(--look);
	}

	div {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
		gap: 0.5rem;
		padding-bottom: 0.5rem;
	}

	label {
		display: grid;
		font-size: 0.88rem;
	}
</style>
