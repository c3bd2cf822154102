export { linesOfReply, type DroppedReason } from './reply-blocks';
export type { OriginOfSign } from './citations';
export * from './read-reply';
export * from './seams';
