import { db } from './db';

export async function readSetting(key: string): Promise<unknown> {
	return (await db.settings.get(key))?.value;
}

export async function saveSetting(key: string, value: unknown): Promise<void> {
	await db.settings.put({ key, value });
}
