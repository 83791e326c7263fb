/** Money kept in hundredths, as a shop writes it. */
export const moneyText = (hundredths: number): string => (hundredths / 100).toFixed(2);
