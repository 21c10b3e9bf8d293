/** The keys of the review desk, as the page lists them. */
export const REVIEW_KEYS = [
  {
    title: 'Listening',
    keys: [
      ['Space', 'play and stop'],
      ['1 2 3 4', 'hear this version, another, the starting mix …'],
      ['V', 'moves on and off'],
      ['M', 'play from move to move'],
      ['S', 'the track of this lane alone'],
      ['E', 'all at one loudness'],
      ['H', 'hide and show names'],
      ['O', 'loop on and off'],
    ],
  },
  {
    title: 'Saying',
    keys: [
      ['T', 'take the next thing found into a remark'],
      ['X', 'overrule the next thing found'],
      ['R', 'write a remark'],
      ['Ctrl Enter', 'pin the remark'],
      ['J', 'take the proposed marks'],
      ['K', 'overrule the next proposed mark'],
      ['C', 'comment on the whole'],
      ['Esc', 'leave what you write'],
      ['F', 'figures'],
    ],
  },
  {
    title: 'Hand-ins',
    keys: [
      ['A', 'accept, and go to the next'],
      ['W', 'want another version, and go to the next'],
      ['N', 'next'],
      ['P', 'previous'],
      ['?', 'these keys'],
    ],
  },
] as const
