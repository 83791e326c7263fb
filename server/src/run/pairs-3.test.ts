import { testPairs } from '../testing/pairs';

testPairs(2, 3);
