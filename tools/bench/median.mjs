export const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
