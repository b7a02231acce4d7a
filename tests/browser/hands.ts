/**
 * Two ways to do the same work: with a mouse, and with a keyboard alone. Steps are counted as a user takes them: each
 * press, filled field, shortcut and chosen file or folder is one.
 */
import type { Locator, Page } from '@playwright/test';
import { expect } from './fixtures';

export abstract class Hands {
  /** What was done, in order. */
  readonly taken: string[] = [];

  constructor(protected readonly page: Page) {}

  get count(): number {
    return this.taken.length;
  }

  async press(where: Locator): Promise<void> {
    this.taken.push(`press ${String(where)}`);
    await this.pressed(where);
  }

  async fill(where: Locator, text: string): Promise<void> {
    this.taken.push(`fill ${String(where)}`);
    await this.filled(where, text);
  }

  async key(keys: string): Promise<void> {
    this.taken.push(`key ${keys}`);
    await this.page.keyboard.press(keys);
  }

  /** A button, and one choice of files or of a folder in the system's own dialog. */
  async choose(button: Locator, files: string | string[]): Promise<void> {
    const chooser = this.page.waitForEvent('filechooser');
    await this.press(button);
    this.taken.push('choose files');
    await (await chooser).setFiles(files);
  }

  /** An entry of a list that opens. */
  async pick(combobox: Locator, option: string | RegExp): Promise<void> {
    await this.press(combobox);
    await this.press(this.page.getByRole('option', { name: option }));
  }

  /** The end of a line of an editor: to the line, and End. */
  async endOfLine(editor: Locator, n: number): Promise<void> {
    this.taken.push(`line ${n} of ${String(editor)}`);
    await this.toLine(editor, n);
    await this.key('End');
  }

  /** Letters as they come out of a keyboard, wherever the focus is. */
  async type(text: string): Promise<void> {
    this.taken.push(`type ${text}`);
    await this.page.keyboard.type(text);
  }

  protected abstract pressed(where: Locator): Promise<void>;
  protected abstract toLine(editor: Locator, n: number): Promise<void>;
  protected abstract filled(where: Locator, text: string): Promise<void>;
}

export class Mouse extends Hands {
  protected pressed = (where: Locator): Promise<void> => where.click();
  protected toLine = (editor: Locator, n: number): Promise<void> =>
    editor
      .locator('.cm-line')
      .nth(n - 1)
      .click();
  protected filled = (where: Locator, text: string): Promise<void> => where.fill(text);
}

/** Pressed with the space bar; all else with Enter. */
const SPACE = /^(?:checkbox|switch|radio)$/;

/** More presses than these nobody would make for one step. */
const MOST_PRESSES = 150;

type Way = 'here' | 'on' | 'back' | 'down' | 'up' | 'out';

/**
 * Which key leads from the focus to an element: Tab on or back, Escape out of an editor, or the arrows inside of what is one stop for Tab (WAI-ARIA
 * Authoring Practices, "Developing a Keyboard Interface": composite widgets).
 */
function wayTo(target: Element): Way {
  const from = document.activeElement ?? document.body;
  const of = (element: Element | null) => {
    const field = element?.matches('[tabindex], a, button, input, select, textarea') ? element : null;
    return field ?? element?.querySelector('a, button, input, select, textarea, [tabindex]') ?? element;
  };
  const goal = of(target) ?? target;
  if (goal === from || goal.contains(from)) return 'here';
  // Tab indents there.
  if (from.closest('.cm-editor')) return 'out';
  const isBehind = Boolean(from.compareDocumentPosition(goal) & Node.DOCUMENT_POSITION_FOLLOWING);
  const buttons = goal instanceof HTMLElement && goal.tabIndex < 0 ? ', [role=group]' : '';
  const composite = goal.closest(`[role=listbox], [role=menu], [role=tablist], [role=radiogroup]${buttons}`);
  const radio = goal instanceof HTMLInputElement && goal.type === 'radio' ? goal.name : null;
  const isOneStop =
    composite?.contains(from) === true ||
    (radio !== null && from instanceof HTMLInputElement && from.type === 'radio' && from.name === radio);
  if (isOneStop) return isBehind ? 'down' : 'up';
  return isBehind || from === document.body ? 'on' : 'back';
}

export class Keyboard extends Hands {
  /** Presses of Tab and arrows between the steps. */
  presses = 0;

  protected async pressed(where: Locator): Promise<void> {
    await this.#goTo(where);
    const kind = await where.evaluate((element) =>
      element.tagName === 'INPUT' ? (element.getAttribute('role') ?? (element as HTMLInputElement).type) : '',
    );
    await this.page.keyboard.press(SPACE.test(kind) ? 'Space' : 'Enter');
  }

  protected async filled(where: Locator, text: string): Promise<void> {
    await this.#goTo(where);
    await this.page.keyboard.press('Control+a');
    await this.page.keyboard.press('Delete');
    await this.page.keyboard.insertText(text);
  }

  protected async toLine(editor: Locator, n: number): Promise<void> {
    await this.#goTo(editor);
    await this.page.keyboard.press('Control+Home');
    const line = editor.locator('.cm-line').nth(n - 1);
    // A long line is several for the arrows.
    for (let down = 0; down < MOST_PRESSES; down++) {
      this.presses++;
      if (await line.evaluate((one) => one.classList.contains('cm-activeLine'))) return;
      await this.page.keyboard.press('ArrowDown');
    }
    throw new Error(`Line ${n} of ${String(editor)} is not reached.`);
  }

  async #goTo(where: Locator): Promise<void> {
    await expect(where).toBeVisible();
    await expect(where).toBeEnabled();
    const trail: string[] = [];
    for (let n = 0; n < MOST_PRESSES; n++) {
      const way = await where.evaluate(wayTo);
      if (way === 'here') return;
      const across = await this.#isAcross();
      const keys = {
        on: 'Tab',
        back: 'Shift+Tab',
        down: across ? 'ArrowRight' : 'ArrowDown',
        up: across ? 'ArrowLeft' : 'ArrowUp',
        out: 'Escape',
      };
      await this.page.keyboard.press(keys[way]);
      this.presses++;
      trail.push(`${way} ${await this.#said()}`);
    }
    throw new Error(`${String(where)} is not reached: ${trail.slice(-40).join(' · ')}`);
  }

  #isAcross(): Promise<boolean> {
    return this.page.evaluate(() => document.activeElement?.closest('[role=tablist], [role=group]') !== null);
  }

  #said(): Promise<string> {
    return this.page.evaluate(() => {
      const one = document.activeElement;
      return `${one?.tagName.toLowerCase()} ${one?.getAttribute('aria-label') ?? one?.textContent?.slice(0, 24)}`;
    });
  }
}
