/** Remarks that are used again: figures filled in, and which of them fit what was found. */
export { FIGURE_NAMES, figuresAt, fillRemark, type FigureName, type Figures, type Spot } from './fill'
export { suggestRemarks, USUAL_REMARKS, type BankRemark } from './bank'
