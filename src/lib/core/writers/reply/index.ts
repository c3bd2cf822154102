export type { Dropped, DroppedReason } from './reply-blocks';
export type { OriginOfSign } from './citations';
export type { Sureness } from './match-headings';
export * from './read-reply';
export * from './seams';
