/** How far somebody is; each has a form of its own. */
export type Sign = 'new' | 'going' | 'waiting' | 'held' | 'back' | 'done' | 'missing' | 'excused'
