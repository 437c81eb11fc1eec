/** Room beside the plot of a trace, px: its scale, and what its lines are called. Lanes below keep to the same. */
export const LEFT = 40;
export const RIGHT = 82;
