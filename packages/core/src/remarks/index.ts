/** Remarks that are used again: figures filled in, and which of them fit what was found. */
export { FIGURE_NAMES, figuresAt, fillRemark, type FigureName, type Figures, type Spot } from './fill'
export { suggestRemarks, usualRemarks, type BankRemark } from './bank'
