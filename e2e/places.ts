/** Every place a fitter who runs the house can go to. */
export const PLACES = [
  '/bench',
  '/bench/protocols',
  '/bench/exceptions',
  '/charts',
  '/charts/kits',
  '/log',
  '/house/sizing',
  '/house/settings',
  '/house/people',
  '/house/you',
  '/house/tapes',
  '/log/house',
] as const;
