import { z } from 'zod';

/** Money in hundredths of whatever the fleet pays in. */
export const COUNTED = z.int().min(0).max(100_000_000);
