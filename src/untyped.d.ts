/** The little that is used of packages that ship no types of their own. */
declare module 'jstat' {
  const jstat: {
    jStat: {
      erfc(x: number): number;
      normal: { inv(p: number, mean: number, sd: number): number };
      studentt: { inv(p: number, dof: number): number };
      beta: { inv(p: number, alpha: number, beta: number): number };
    };
  };
  export default jstat;
}

declare module 'ml-regression-theil-sen' {
  export class TheilSenRegression {
    constructor(x: number[], y: number[]);
    slope: number;
  }
}
