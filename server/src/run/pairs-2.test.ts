import { testPairs } from '../testing/pairs';

testPairs(1, 3);
