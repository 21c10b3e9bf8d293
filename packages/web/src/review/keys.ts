/** The keys of the review desk, as the page lists them. */
export const REVIEW_KEYS = [
  {
    title: 'Listening',
    keys: [
      ['Space', 'play and stop'],
      ['O', 'loop on and off'],
      ['V', 'moves on and off'],
    ],
  },
  {
    title: 'Hand-ins',
    keys: [
      ['N', 'next'],
      ['P', 'previous'],
      ['?', 'these keys'],
    ],
  },
] as const
