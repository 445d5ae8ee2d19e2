import type {
	ConditionsEntry,
	MeasuredCurve,
	Reading,
	RepairEntry,
	SafetyEntry,
	Withdrawal
} from '../visit';

/** Something that was stored in a visit, as everybody who has it open hears it. */
export type VisitEvent =
	| { readonly kind: 'reading'; readonly entry: Reading }
	| { readonly kind: 'withdrawal'; readonly entry: Withdrawal }
	| { readonly kind: 'conditions'; readonly entry: ConditionsEntry }
	| { readonly kind: 'safety'; readonly entry: SafetyEntry }
	| { readonly kind: 'curve'; readonly entry: MeasuredCurve }
	| { readonly kind: 'repair'; readonly entry: RepairEntry }
	/** Something else changed: load the visit anew. */
	| { readonly kind: 'changed' };
