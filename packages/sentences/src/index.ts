/** Findings made into sentences: the one table of how places, values and amounts are said. */
export { Sayer, type SaidFigure, type SayerContext } from './sayer'
export {
  saidAssessment,
  saidMistake,
  saidProposal,
  saidTasks,
  type SaidAssessment,
  type SaidCheck,
  type SaidFinding,
  type SaidMistake,
  type SaidTask,
} from './said'
