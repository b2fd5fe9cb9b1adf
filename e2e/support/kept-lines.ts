import { expect, type Page } from '@playwright/test';

/** A line of the log as the server keeps it, as far as the walks read it. */
export interface KeptLine {
  readonly id: string;
  readonly batchId: string;
  readonly atMs: number;
  readonly body: {
    readonly type: string;
    readonly methodId?: string;
    readonly stageId?: string;
    readonly lotId?: string;
    readonly name?: string;
    readonly text?: string;
    readonly gear?: readonly string[];
    readonly choices?: Readonly<Record<string, number>>;
    readonly atMs?: number;
  };
}

/** All lines the server keeps now, oldest first. */
export async function linesOf(page: Page, { address }: { readonly address: string }): Promise<readonly KeptLine[]> {
  const answer = await page.request.get(`${address}/api/v1/snapshot`);
  return ((await answer.json()) as { entries: KeptLine[] }).entries;
}

/** The newest line that is as asked, once the server keeps one: a page shows what it logs before it has sent it. */
export async function keptLine(
  page: Page,
  dairy: { readonly address: string },
  isAsked: (line: KeptLine) => boolean,
): Promise<KeptLine> {
  const look = async () => (await linesOf(page, dairy)).findLast(isAsked);
  await expect.poll(async () => (await look()) !== undefined).toBe(true);
  return (await look())!;
}
