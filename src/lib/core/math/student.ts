import jStat from 'jstat';

/** Value below which a share of Student's t with so many degrees of freedom lies. */
export const studentQuantile = (share: number, freedom: number): number => jStat.studentt.inv(share, freedom);

/** Share of Student's t with so many degrees of freedom that lies below a value. */
export const studentBelow = (t: number, freedom: number): number => jStat.studentt.cdf(t, freedom);
