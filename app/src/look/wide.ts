import { useWindowDimensions } from 'react-native';

const WIDE_PX = 900;

/** Whether there is room for list, trailer and detail side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE_PX;
