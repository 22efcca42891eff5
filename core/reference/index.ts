import { EN_13402_CHARTS } from './en13402';
import { EN_420_GLOVES } from './en420-gloves';
import type { PublishedChart } from './published-chart';
import { MONDOPOINT } from './shoe-sizes';

export * from './published-chart';
export * from './en13402';
export * from './en420-gloves';
export * from './shoe-sizes';
export * from './hat-sizes';
export * from './combat-clothing';

/** Every published table that is written down here, each with its source. */
export const PUBLISHED_CHARTS: readonly PublishedChart[] = [...EN_13402_CHARTS, EN_420_GLOVES, MONDOPOINT];
