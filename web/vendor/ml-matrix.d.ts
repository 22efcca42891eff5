export { CholeskyDecomposition, Matrix } from '../../node_modules/ml-matrix/matrix';
