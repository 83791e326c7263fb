import { testPairs } from '../testing/pairs';

testPairs(0, 3);
