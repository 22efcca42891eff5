/** How a wearer stands, sits or moves while it is looked at how a garment fits. */
export const FIT_POSES = [
  'standing',
  'seated',
  'arms-forward',
  'arms-up',
  'arms-out',
  'squat',
  'kneeling',
] as const;
export type FitPose = (typeof FIT_POSES)[number];
