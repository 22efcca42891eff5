// The library's own modules in the place of its bundle, which brings every decomposition there is to the first load.
export { default as CholeskyDecomposition } from '../../node_modules/ml-matrix/src/dc/cholesky.js';
export { default as Matrix } from '../../node_modules/ml-matrix/src/matrix.js';
