export { type JobNow, type PlanMemory, jobNow, planMemory } from './basis.ts';
export {
  type CautionCode,
  aimCautions,
  benchCautions,
  closedCautions,
  closingCautions,
  jointCautions,
  leavingCautions,
  legCautions,
  openingCautions,
  outCautions,
  stepCautions,
  testCautions,
} from './cautions.ts';
export { gatesOf, stepDone } from './gates.ts';
export { furtherKits, openingDone, openingRequest, openingUnknown, planOpening, provingSide, reachUnknown, schoolOf } from './opening.ts';
export { stepTimes } from './times.ts';
export { planClosingOf } from './way-back.ts';
