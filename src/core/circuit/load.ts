/** What a bus feeds, as data. V, A, W, ohm. */
export type Load =
	| { readonly kind: 'open' }
	| { readonly kind: 'short' }
	| { readonly kind: 'resistor'; readonly ohms: number }
	/** A bus that something else holds. */
	| { readonly kind: 'volts'; readonly volts: number }
	/** A maximum-power tracker; null: no such limit. */
	| {
			readonly kind: 'tracker';
			readonly window: { readonly least: number; readonly most: number | null };
			readonly ampsAtMost: number | null;
			readonly wattsAtMost: number | null;
			/** It holds these volts instead of looking for the maximum: a fault. */
			readonly stuckAt?: number | undefined;
	  }
	/** A battery behind a controller. */
	| {
			readonly kind: 'battery';
			readonly volts: number;
			readonly controller: 'pwm' | 'mppt';
			/** Of an MPPT controller: what the array must have above the battery, V. */
			readonly headroom: number;
			/** Into the battery; null: no such limit. */
			readonly ampsAtMost: number | null;
	  };

/** Charge controllers need about 5 V above the battery (common practice; the maker's figure wins). */
export const USUAL_HEADROOM = 5;
