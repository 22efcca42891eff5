import { micrometres } from '../quantity/length';
import { bodyDimensions507 } from '../reference/body-dimensions-507';
import { COLUMNS_507 } from '../reference/bodies-507';

/** Means and covariances of the natural logarithms of the values in micrometres, of the weight in grams, per build. */
export function fitBodyStatistics() {
  const variables = [...Object.keys(COLUMNS_507), 'weight'];
  const builds = [1, 0].map((gender) => {
    const rows = bodyDimensions507()
      .filter(({ Gender }) => Gender === gender)
      .map((body) => [
        ...Object.values(COLUMNS_507).map((column) =>
          Math.log(micrometres(Math.round(body[column]! * 10_000))),
        ),
        Math.log(body['Weight']! * 1_000),
      ]);
    const means = variables.map((_, index) => rows.reduce((sum, row) => sum + row[index]!, 0) / rows.length);
    const covariances = variables.map((_, i) =>
      variables.map(
        (__, j) =>
          rows.reduce((sum, row) => sum + (row[i]! - means[i]!) * (row[j]! - means[j]!), 0) /
          (rows.length - 1),
      ),
    );
    return { means: means.map(rounded), covariances: covariances.map((row) => row.map(rounded)) };
  });
  return { variables, builds };
}

/** Nine significant digits: far finer than the data, and the same on every machine. */
function rounded(value: number): number {
  return Number(value.toPrecision(9));
}
