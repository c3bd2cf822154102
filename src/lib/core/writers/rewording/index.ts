export { FILLERS, HEDGES, STOCK_PHRASES } from './phrases';
export { mapSentences, rewordBlocks } from './reword-blocks';
export { rewordSentence, type Way } from './reword-sentence';
