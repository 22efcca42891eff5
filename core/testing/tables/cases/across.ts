/** Rows with the sizes across. */
export function across(grid: readonly (readonly string[])[]): string[][] {
  return grid[0]!.map((_, at) => grid.map((row) => row[at] ?? ''));
}
