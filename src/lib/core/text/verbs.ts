const ORDERS =
	/^(?:(?:then|and|now|first|next|always|never|please|just|do not|don['’]t)\s+)?(?:set|lay|put|place|build|dig|take|use|keep|make|start|finish|mark|sort|fill|pack|test|check|step|stand|lean|drive|work|choose|pick|pull|walk|strip|run|stretch|level|cut|add|mix|leave|let|wait|remove|clean|open|close|turn|hold|press|wash|dry|cover|plant|water|pour|apply|sand|drill|screw|tie|wear|measure|buy|ask|look|move|bring|repeat|store|label|heat|stir|fold|book|call|write|tell|read|send|find|get|go|give|rake|mow|feed|sow|spread|empty|count|count|weigh|try|avoid|stop|say|show|name|ring|plan|note|watch|expect|remember|allow|aim|replace|rotate|switch|change|carry|number|photograph|unplug|defrost|hang|spin|shake|air|rinse|soak|roll|bend|twist|flip)\b/i;

/** Whether a sentence tells the reader to do something. */
export function isOrder(sentence: string): boolean {
	return ORDERS.test(sentence);
}

const FINITE =
	/\b(?:is|are|was|were|am|be|been|has|have|had|do|does|did|can|could|will|would|shall|should|may|might|must|needs?|makes?|made|takes?|took|gets?|got|goes|go|went|comes?|came|says?|said|keeps?|kept|gives?|gave|wants?|knows?|knew|uses?|works?|costs?|holds?|held|lasts?|stands?|stood|stays?|becomes?|became|runs?|ran|puts?|lets?|means?|meant|helps?|finds?|found|thinks?|thought|loses?|lost|saves?|looks?|feels?|felt|seems?|shows?|tells?|told|asks?|pays?|paid|buys?|bought|sells?|sold|brings?|brought|leaves?|left|breaks?|broke|grows?|grew|dries|dry|wears?|wore|falls?|fell|rises?|rose|fits?|matters?|depends?|happens?|starts?|begins?|began|ends?|stops?|drinks?|blames?|reckons?|tolerates?|includes?|covers?|contains?|weighs?|counts?|adds?|beats?|hurts?|turns?|killed|cancels?)\b|n['’]t\b|['’](?:re|ll|ve|m|d)\b|\b(?:it|that|there|here|he|she|what|who|which)['’]s\b|\b\p{Ll}{3,}ed\b|\s=\s/iu;

/** Whether a jotting holds a verb that could make a sentence of it. Long ones are taken to. */
export function hasVerb(text: string): boolean {
	return FINITE.test(text) || isOrder(text) || text.split(/\s+/).length > MOST_FRAGMENT;
}

/** Words from which a jotting is hardly without a verb. */
const MOST_FRAGMENT = 16;
