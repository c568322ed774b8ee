/** The application as a gardener handles it: everything by role and label. */
import { expect, test as base, type Page } from "@playwright/test";

/** A day on which the real clock of the tests stands, so that answers do not drift with the calendar. */
const NOW = "2026-07-01T09:00:00Z";

export class App {
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }

  heading(name: string | RegExp) {
    return this.page.getByRole("heading", { level: 1, name });
  }

  async open(path: string): Promise<void> {
    await this.page.goto(path);
    await expect(this.page.getByRole("heading", { level: 1 }).first()).toBeVisible();
  }

  button(name: string | RegExp) {
    return this.page.getByRole("button", { name, exact: typeof name === "string" });
  }

  field(label: string | RegExp) {
    return this.page.getByLabel(label, { exact: typeof label === "string" });
  }

  /** Starts an own garden from the demo. */
  async startOwnPlace(p: { zone: string; latitude: string; last: string; first: string }): Promise<void> {
    await this.button("Start with my own place").click();
    await this.field("Name of the place").fill("Behind the mill");
    await this.page.getByText("Without a town").click();
    await this.field("Latitude (degrees)").fill(p.latitude);
    await this.field("Hardiness zone").selectOption(p.zone);
    await this.field("Usual last frost of spring").fill(p.last);
    await this.field("Usual first frost of autumn").fill(p.first);
    await this.button("Start here").click();
  }

  async addPlant(search: string, label: string, planted: string): Promise<void> {
    await this.button("Add a plant").first().click();
    const dialog = this.page.getByRole("dialog");
    await dialog.getByLabel("Kind").fill(search);
    await this.page.getByRole("listbox").getByRole("option").first().click();
    await dialog.getByLabel("What you call it").fill(label);
    await dialog.getByLabel("Planted on").fill(planted);
    await dialog.getByRole("button", { name: "Add", exact: true }).click();
    await expect(dialog).toBeHidden();
  }

  /** From Today's list to the plant's page; the answer beside the list must have followed the choice. */
  async openFromToday(label: string): Promise<void> {
    await this.page.getByRole("button", { name: new RegExp(`^${label}`) }).click();
    await this.page.getByRole("link", { name: `Its year and history: ${label}` }).click();
    await expect(this.heading(label)).toBeVisible();
  }

  /** The verdict word beside the mark of the answer on a plant's page. */
  answer() {
    return this.page.getByRole("region", { name: "May I?" });
  }

  async chooseTask(name: string): Promise<void> {
    const tasks = this.page.getByRole("group", { name: "Task" });
    const wanted = tasks.getByRole("button", { name, exact: true });
    await expect(tasks.getByRole("button").first()).toBeVisible();
    if ((await wanted.count()) === 0) await tasks.getByRole("button", { name: "Other tasks" }).click();
    await wanted.click();
  }

  async recordShare(percent: string, day: string): Promise<void> {
    await this.page.getByRole("link", { name: "Record a visit" }).click();
    await expect(this.heading(/What was done at/)).toBeVisible();
    await this.field("Day").fill(day);
    await this.field("Live growth taken (%)").fill(percent);
    await this.button("Record").click();
    await expect(this.answer()).toBeVisible();
  }
}

interface Fixtures {
  app: App;
}

/** Every journey fails when the page asks anything of another host, or writes an error to its console. */
export const test = base.extend<Fixtures>({
  app: async ({ page, baseURL }, use) => {
    const outside: string[] = [];
    const errors: string[] = [];
    page.on("request", (r) => {
      if (!r.url().startsWith(baseURL!) && !/^(data|blob):/.test(r.url())) outside.push(r.url());
    });
    page.on("console", (m) => {
      if (m.type() === "error") errors.push(m.text());
    });
    page.on("pageerror", (e) => errors.push(e.message));
    await page.clock.setFixedTime(new Date(NOW));
    await use(new App(page));
    expect(outside).toEqual([]);
    expect(errors).toEqual([]);
  },
});
export { expect };
