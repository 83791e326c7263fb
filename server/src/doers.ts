import type { Doers } from './background';
import { doForecast } from './forecast';
import { sendMessage } from './outside';
import { doWatchPlan, provePlan, type Searching, searchPlan } from './plan';
import { doCheckRecords, tellHook } from './proof';
import { doMakeUpRoad } from './told';
import { doJudgeAgain } from './yard';

/** What each task of the queue does. */
export const doersOf = (searching: Searching): Doers => ({
  'search-plan': (asked, closing) => searchPlan(searching, asked, closing),
  'prove-plan': (asked, closing) => provePlan(searching, asked, closing),
  'watch-plan': (asked) => doWatchPlan(searching, asked),
  'tell-outside': (asked) => sendMessage(searching, asked),
  'make-up-road': (asked) => doMakeUpRoad(searching, asked),
  'judge-again': (asked, closing) => doJudgeAgain(searching, asked, closing),
  'check-records': (asked) => doCheckRecords(searching, asked),
  'tell-hook': (asked) => tellHook(searching, asked),
  forecast: (asked, closing) => doForecast(searching, asked, closing),
});
