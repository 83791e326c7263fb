/** A count with its thousands set apart: `10,000`. Written out, since a phone takes long over its first Intl format. */
export const countText = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, ',');
