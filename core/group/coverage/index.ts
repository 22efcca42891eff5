// How charts hold people: part by part, whole charts, and what would help most.
export * from './chart-coverage';
export * from './part-coverage';
