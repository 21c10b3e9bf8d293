/** The keys of the bench, as the page lists them. */
export const BENCH_KEYS = [
  {
    title: 'Listening',
    keys: [
      ['Space', 'play and stop'],
      ['G', 'go round the selected bars, or those of the task'],
      ['O', 'loop on and off'],
      ['V', 'moves on and off'],
      ['N', 'note at this bar'],
    ],
  },
  {
    title: 'Everywhere',
    keys: [
      ['Ctrl Z', 'undo'],
      ['Ctrl Y', 'redo'],
      ['W', 'balance or lines'],
      ['B', 'fold the brief away'],
      ['?', 'these keys'],
    ],
  },
  {
    title: 'On the line',
    keys: [
      ['Page ↑ ↓', 'point before, point after'],
      ['Arrows', 'move the point'],
      ['Shift arrows', 'move it finely'],
      ['Shift Page ↑ ↓', 'one point more'],
      ['Alt ↑ ↓', 'bend the line after the point'],
      ['Enter', 'point at the play position'],
      ['Delete', 'remove the point'],
      ['1 2 3 4', 'points, bars, draw, cells'],
      ['Ctrl A', 'all points'],
    ],
  },
  {
    title: 'With a finger',
    keys: [
      ['Hold still', 'then drag: a box round points; clear cells'],
      ['Two fingers', 'along the song, closer and further'],
    ],
  },
  {
    title: 'Bars, draw, cells',
    keys: [
      ['← →', 'bar before or after; pen or cell to the side'],
      ['Shift ← →', 'more or fewer bars'],
      ['↑ ↓', 'raise or lower the pen or the cell'],
      ['Enter', 'pen down and up; turn the cell over'],
      ['Delete', 'clear the cell'],
      ['Esc', 'no bars; take back what is drawn'],
    ],
  },
  {
    title: 'With the mouse',
    keys: [
      ['Alt', 'drag off the grid'],
      ['Shift', 'drag one way only; a box round points'],
      ['Alt wheel', 'closer on the values'],
      ['Ctrl wheel', 'closer and further'],
      ['Shift wheel', 'along the song'],
    ],
  },
] as const
