import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { ruleById } from "../../catalogue/rules/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import { AS_IT_IS } from "../../photo/look/index.ts";
import type { Face } from "../../photo/portrait/index.ts";
import { goodStudy, MIDDLE_HEAD } from "../../photo/portrait/testing/good.ts";
import type { Photos } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "../../report/check/index.ts";
import { outputFiles } from "../../report/output/index.ts";
import { reportPeople } from "../../report/people/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { freshJob, kindOf, layOut, quantityOf, readPeople, type TicketOf } from "../index.ts";

const PHOTO = { width: 3000, height: 4000 };
const photos = { ada: PHOTO, ben: PHOTO, cleo: PHOTO };
/** 1700 px from crown to chin, in the middle. */
const face = MIDDLE_HEAD;
const add = (...ids: (keyof typeof photos)[]): JobEdit => ({
  do: "add photos",
  photos: ids.map((id) => ({ id, name: `${id}.jpg` })),
});
const make = (...edits: JobEdit[]): Job => edits.reduce(applyEdit, freshJob("portraits", "Test"));
/** A job whose photos’ heads are known. */
const seen = (faces: Record<string, Face>, ...edits: JobEdit[]): Job => ({
  ...make(...edits),
  heads: Object.fromEntries(Object.entries(faces).map(([photo, one]) => [photo, [one]])),
});
const ticket = (job: Job) => job.ticket as TicketOf<"portraits">;
const words = { unit: "mm", locale: "en-GB", ppi: 300 } as const;
const report = (job: Job, of: Photos = photos) => reportPeople(job, of, arrange(job, of), words);
/** The photos with their pixels measured, before a background of a colour; and what was put behind ada. */
const measured = (colour: string, behind?: string): Photos => ({
  ...photos,
  ada: { ...PHOTO, seen: { heads: [face], by: "found", study: goodStudy(colour) } },
  ...(behind && { made: { ...PHOTO, seen: { heads: [face], by: "found", study: goodStudy(behind) } } }),
});

describe("people of a job", () => {
  it("are its photos, named after their files", () => {
    const job = make(add("ada", "ben"));
    expect(ticket(job).people.map(({ name, photo, shot }) => [name, photo, shot])).toEqual([
      ["ada", "ada", 1],
      ["ben", "ben", 2],
    ]);
    // Eight of each on 10 × 15 cm, which holds eight of 35 × 45 mm.
    expect(arrange(job, photos).map(({ cells }) => cells.length)).toEqual([8, 8]);
    expect(arrange(job, photos)[0]!.cells.every(({ turn }) => turn === 0)).toBe(true);
  });

  it("go with their photo where they were listed by it alone, and stay without one where more was said of them", () => {
    const job = make(add("ada", "ben"));
    const gone = applyEdit(job, { do: "remove photo", photo: "ada" });
    expect(ticket(gone).people.map(({ name }) => name)).toEqual(["ben"]);
    // No blank pieces: eight of Ben.
    expect(arrange(gone, photos).map(({ cells }) => cells.map((cell) => cell.photo).join(" "))).toEqual([
      Array(8).fill("ben").join(" "),
    ]);
    const [ada, ben] = ticket(job).people;
    const said = applyEdit(job, { do: "ticket", change: { people: [{ ...ada!, name: "Ada Tern" }, ben!] } });
    const without = applyEdit(said, { do: "remove photo", photo: "ada" });
    expect(ticket(without).people.map(({ name, photo }) => [name, photo])).toEqual([
      ["Ada Tern", null],
      ["ben", "ben"],
    ]);
  });

  it("are called after the photo that they are shown by, unless somebody said their name", () => {
    const job = make(add("ada", "ben"));
    const called = (edit: JobEdit, from = job) =>
      ticket(applyEdit(from, edit)).people.map(({ name, photo }) => [name, photo]);
    const replace: JobEdit = { do: "relink photo", photo: "ada", to: { id: "cleo", name: "cleo.jpg" } };
    expect(called(replace)).toEqual([
      ["cleo", "cleo"],
      ["ben", "ben"],
    ]);
    expect(called({ do: "put in all", photo: "ben" })).toEqual([
      ["ben", "ben"],
      ["ben", "ben"],
    ]);
    const [ada, ben] = ticket(job).people;
    const change = { people: [{ ...ada!, name: "Ada Tern" }, ben!] };
    expect(called(replace, applyEdit(job, { do: "ticket", change }))[0]).toEqual(["Ada Tern", "cleo"]);
    const all = applyEdit(job, { do: "put in all", photo: "ben" });
    expect(new Set(arrange(all, photos).flatMap(({ cells }) => cells.map(({ photo }) => photo)))).toEqual(
      new Set(["ben"]),
    );
  });

  it("get the photo that comes later by their name or number, whoever else comes is new", () => {
    const listed: JobEdit = {
      do: "ticket",
      change: {
        people: [
          { shot: 1, name: "Ben Tarn", number: "BEN", photo: null, rule: null, quantity: 2 },
          { shot: 4, name: "ada", number: "", photo: null, rule: null, quantity: null },
        ],
      },
    };
    const { people } = ticket(make(listed, add("ada", "ben", "cleo")));
    expect(people.map(({ name, photo, shot }) => [name, photo, shot])).toEqual([
      ["Ben Tarn", "ben", 1],
      ["ada", "ada", 4],
      ["cleo", "cleo", 5],
    ]);
  });

  it("take what was known of their photo with it", () => {
    const job = applyEdit(seen({ ada: face }, add("ada")), { do: "remove photo", photo: "ada" });
    expect(job.heads).toEqual({});
  });

  it("come along when a job becomes one of document photos, and a pattern keeps none of them", () => {
    const copies = applyEdit(freshJob("copies", "Test"), add("ada", "ben"));
    const job = applyEdit(copies, { do: "become", kind: "portraits" });
    expect(ticket(job).people).toHaveLength(2);
    expect(kindOf(job).withoutPhotos(job)).toMatchObject({ people: [], rule: "icao-portrait" });
  });

  it("are no more than can be printed", () => {
    const reading = readJob(
      applyEdit(make(add("ada", "ben", "cleo")), { do: "ticket", change: { copies: 1000 } }),
    );
    expect(reading).toMatchObject({
      ok: false,
      faults: [{ why: expect.stringContaining(`${LIMITS.pieces}`) }],
    });
  });
});

describe("the ticket", () => {
  const say = (job: Job) =>
    kindOf(job)
      .say(job, words, layOut(job, photos).sums)
      .map(({ text }) => text)
      .join("")
      .replaceAll("\u00a0", " ");

  it("reads as a sentence", () => {
    expect(say(make(add("ada", "ben")))).toBe(
      "Put 8 each of 2 people by the rule International, travel document portrait, 35 × 45 mm, on 10 × 15 cm paper, turned to hold the most, packed together, without names, 2 mm apart and centred inside no margins, to be freed by straight cuts, with corner ticks to cut by, no outline and no slack, finished plainly, for Lab, lustre at 300 ppi, a page to a sheet.",
    );
  });

  it("says that some have another rule or number", () => {
    const job = make(add("ada", "ben"));
    const people = ticket(job).people.map((one, i) =>
      i === 0 ? { ...one, rule: "us-visa", quantity: 2 } : one,
    );
    const rules = [...ticket(job).rules, ruleById("us-visa")];
    expect(say(applyEdit(job, { do: "ticket", change: { people, rules } }))).toMatch(
      /^Put 10 pieces of 2 people by the rule .*, 35 × 45 mm, and 1 other rule, on/,
    );
  });
});

describe("pieces of people", () => {
  it("are as large as the rule of each, with the strip for the name outside the trim", () => {
    const job = make(add("ada", "ben"));
    const people = ticket(job).people.map((one, i) => (i === 1 ? { ...one, rule: "jp-residence" } : one));
    const rules = [...ticket(job).rules, ruleById("jp-residence")];
    const withNames = applyEdit(job, { do: "ticket", change: { people, rules, names: true, copies: 1 } });
    const [sheet] = arrange(withNames, photos);
    const sizes = sheet!.cells.map(({ shot, finished, turn }) => [
      shot,
      ...(turn === 0 ? [finished.width, finished.height] : [finished.height, finished.width]),
    ]);
    expect(sizes.sort()).toEqual([
      ["1", mm(35), mm(45)],
      ["2", mm(30), mm(40)],
    ]);
    const named = sheet!.cells.map(({ over: [ink], ...cell }) => {
      if (ink?.kind !== "text") throw new Error("no name under the cell");
      return { ...cell, name: ink.text };
    });
    expect(named.map(({ name }) => name.lines[0]!.text).sort()).toEqual(["ada", "ben"]);
    for (const { name, finished, turn } of named) {
      // A box that stands beside a piece on its side is told upright about its middle.
      const middle = { x: name.box.x + name.box.width / 2, y: name.box.y + name.box.height / 2 };
      expect(name.turn).toBe(turn);
      if (turn === 0) expect(name.box.y).toBeGreaterThan(finished.y + finished.height);
      else expect(middle.x + name.box.height / 2).toBeLessThan(finished.x);
    }
  });

  it("lie on sheets of their own, whose files are named after each", () => {
    const job = make(add("ada", "ben"), { do: "ticket", change: { sheets: "per person", copies: 12 } });
    const sheets = arrange(job, photos);
    expect(sheets.map(({ cells }) => new Set(cells.map(({ shot }) => shot)).size)).toEqual([1, 1, 1, 1]);
    expect(outputFiles(job, photos, sheets, { pages: false })).toEqual([
      { name: "ada", sheets: 1 },
      { name: "ada", sheets: 1 },
      { name: "ben", sheets: 1 },
      { name: "ben", sheets: 1 },
    ]);
    expect(outputFiles(job, photos, sheets, { pages: true })).toEqual([
      { name: "ada", sheets: 2 },
      { name: "ben", sheets: 2 },
    ]);
    const packed = applyEdit(job, { do: "ticket", change: { sheets: "packed" } });
    expect(outputFiles(packed, photos, arrange(packed, photos), { pages: true })).toEqual([
      { name: packed.name, sheets: 3 },
    ]);
  });
});

describe("how people stand to their rules", () => {
  it("says who passes, who was not measured and who has no photo", () => {
    const job = seen({ ada: face }, add("ada", "ben"));
    const people = [...ticket(job).people, { ...ticket(job).people[0]!, shot: 9, name: "Cleo", photo: null }];
    const all = report(applyEdit(job, { do: "ticket", change: { people } }));
    expect(all.map(({ name, state }) => [name, state])).toEqual([
      ["ada", "not measured"],
      ["ben", "no handles"],
      ["Cleo", "no photo"],
    ]);
    // 31.5 to 36 mm: the middle.
    expect(all[0]!.measured!.figures[0]!.value).toBeCloseTo(33_750, -1);
  });

  it("follows the rule when that is changed, until a hand sets the crop", () => {
    const job = seen({ ada: face }, add("ada"));
    const us: JobEdit = {
      do: "ticket",
      change: { rule: "us-passport", rules: [ruleById("us-passport")] },
    };
    expect(report(applyEdit(job, us))[0]!.state).toBe("not measured");
    const byHand = applyEdit(job, { do: "shot", shot: "1", change: { scale: 1 } });
    const tight = applyEdit(byHand, { do: "shot", shot: "1", change: { scale: 3 } });
    const [ada] = report(tight);
    expect(ada!.state).toBe("fails");
    expect(ada!.cell!.byHand).toBe(true);
    expect(ada!.advice).toMatch(
      /^Head height is [\d.]+\u00a0mm, [\d.]+\u00a0mm too much\. A crop that passes is there/,
    );
    const back = applyEdit(tight, { do: "back to computed", cell: ada!.cell!.key });
    expect(report(back)[0]!.state).toBe("not measured");
  });

  it("passes nobody whose rule states more than was measured", () => {
    const job = seen({ ada: face }, add("ada"));
    const [ada] = report(job);
    expect(ada!.state).toBe("not measured");
    expect(ada!.advice).toBe(
      "The background was not measured yet. It should be plain and light. The pixels of this photo were not measured yet.",
    );
    const findings = check(job, photos, arrange(job, photos), words);
    expect(findings.map(({ rule }) => rule)).toContain("face-not-measured");
    // The rule of Schengen visas wants #dfe2e5 within 16.
    const wanted = ruleById("schengen-visa").background!.colour;
    expect(report(job, measured(wanted))[0]).toMatchObject({ state: "passes", advice: "" });
    // Colorimetry: a green is farther than any tolerance from a light grey.
    const green = report(job, measured("#2e8b57"))[0]!;
    expect(green.state).toBe("fails");
    expect(green.advice).toMatch(/^The background should be plain and light\./);
    const toned = applyEdit(job, { do: "style", change: { look: { ...AS_IT_IS, saturation: -1 } } });
    expect(report(toned, measured(wanted))[0]!.state).toBe("not measured");
  });

  it("measures what was put behind the person, not what the camera saw", () => {
    const job = applyEdit(seen({ ada: face }, add("ada")), {
      do: "backdrops",
      backdrops: {
        ada: { strokes: [], fill: { kind: "flat", colour: "#dfe2e5" }, mask: "mask", made: "made" },
      },
    });
    expect(report(job, measured("#2e8b57", "#dfe2e5"))[0]!.state).toBe("passes");
    expect(report(job, measured("#dfe2e5", "#2e8b57"))[0]!.state).toBe("fails");
    expect(report(job, measured("#dfe2e5"))[0]!.state).toBe("not measured");
  });

  it("says so where a rule gives no figures for the head", () => {
    const rule = {
      ...ruleById("iso-full-frontal"),
      headHeight: undefined,
      eyeLine: undefined,
      headWidth: undefined,
    };
    const bare = applyEdit(seen({ ada: face }, add("ada")), {
      do: "ticket",
      change: { rule: rule.id, rules: [JSON.parse(JSON.stringify(rule)) as typeof rule] },
    });
    const [ada] = report(bare, measured("#ffffff"));
    expect(ada).toMatchObject({
      state: "not measured",
      advice: "The rule gives no figures for the head: look at it yourself.",
    });
  });

  it("asks for the ears where the rule has a head width, and for a look where the program is not sure", () => {
    const job = seen({ ada: face }, add("ada"), {
      do: "ticket",
      change: { rule: "cn-passport", rules: [ruleById("cn-passport")] },
    });
    expect(report(job)[0]).toMatchObject({ state: "no handles", advice: expect.stringContaining("ears") });
    const unsure = seen({ ada: { ...face, sure: false } }, add("ada"));
    expect(report(unsure)[0]!.state).toBe("unsure");
  });
});

describe("a list of people", () => {
  const rules = [ruleById("icao-portrait")];
  const stash = [
    { id: "a", name: "MS-041.jpg" },
    { id: "b", name: "Ben Tarn.jpeg" },
  ];
  const read = (text: string) => readPeople(text, { rules }, stash);

  it("is read with commas, semicolons or tabs, quoted where need be", () => {
    const wanted = [["Tarn, Ben", "b", 3]];
    for (const text of [
      'Name,Photo,Quantity\n"Tarn, Ben",Ben Tarn.jpeg,3',
      "name;photo;copies\r\nTarn, Ben;ben tarn;3\r\n",
      'Name;Photo;Quantity\r"Tarn, Ben";Ben Tarn.jpeg;3\r',
      "\ufeffName\tFile\tHow many\nTarn, Ben\tBEN TARN.JPEG\t3",
    ]) {
      const { people, problems } = read(text);
      expect(problems).toEqual([]);
      expect(people.map(({ name, photo, quantity }) => [name, photo, quantity])).toEqual(wanted);
    }
  });

  it("finds photos by number or name where there is no column for them", () => {
    const { people } = read("number,name\nMS-041,Ada\n,Ben Tarn\nX-1,Cleo");
    expect(people.map(({ photo }) => photo)).toEqual(["a", "b", null]);
  });

  it("takes rules by id or by what they are called, and brings them into the job", () => {
    const { people, rules: now } = read('name,rule\nAda,us-visa\nBen,"Japan, passport"\nCleo,icao-portrait');
    expect(people.map(({ rule }) => rule)).toEqual(["us-visa", "jp-passport", "icao-portrait"]);
    expect(now.map(({ id }) => id)).toEqual(["icao-portrait", "us-visa", "jp-passport"]);
  });

  it("loses nobody to a quotation mark: ten names with one that is opened before the fourth are ten", () => {
    const names = Array.from({ length: 10 }, (_, i) => `${i === 3 ? '"' : ""}Ringer ${i + 1}`);
    const { people, problems } = read(`name,number\n${names.map((name, i) => `${name},R-${i}`).join("\n")}`);
    expect(people.map(({ name }) => name)).toEqual(Array.from({ length: 10 }, (_, i) => `Ringer ${i + 1}`));
    expect(problems).toEqual([
      expect.stringMatching(/^Line 5 has a quotation mark that is opened and not closed/),
    ]);
  });

  it("tells what it leaves out: unknown columns, cells over, names too long; and counts lines as the file does", () => {
    const { people, problems } = read(
      `sep=;\nname;Birthday;name\n"Ada\nTarn";x;\n\nBen; b; c; d\n${"x".repeat(130)};;`,
    );
    expect(people.map(({ name }) => name.length)).toEqual([8, 3, 120]);
    expect(problems).toEqual([
      "The heading “name” is there twice; the first column of that name is taken.",
      "Lines 3 to 4 were read as one, for a cell in quotation marks goes over them.",
      expect.stringMatching(/^Line 6 has more cells than there are headings; “ d” was left out/),
      expect.stringMatching(/^Line 7: “xxx.* is longer than 120 letters/),
    ]);
  });

  it("says line by line what it could not take, and takes the rest", () => {
    const { people, problems } = read("name,photo,rule,quantity\nAda,none.jpg,moon,0\nBen,MS-041,,2");
    expect(problems).toEqual([
      "Line 2: there is no photo “none.jpg” in this job. Ada is listed without one; add the photo and it goes there.",
      "Line 2: there is no rule “moon”. Ada has the rule of the job.",
      "Line 2: “0” is no quantity from 1 to 1000. Ada has as many as the job says.",
    ]);
    expect(people).toHaveLength(2);
    expect(people[0]!.file).toBe("none.jpg");
    expect(read("a,b\n?,!").people).toEqual([]);
    expect(read("a,b\n?,!").problems[0]).toMatch(/^Say which column/);
    expect(read("").people).toEqual([]);
  });

  it.each([
    ["Vorname;Nachname;Ausweisnummer;Bilddatei;Anzahl", "Ada;Tarn;7;MS-041;2"],
    ["Nom;Prénom;Matricule;Fichier;Quantité", "Tarn;Ada;7;ms-041.JPG;2"],
    ["Nombre;Apellidos;Código;Foto;Copias", "Ada;Tarn;7;MS-041.jpg;2"],
    ["Nazwisko;Imię;Numer;Zdjęcie;Ilość", "Tarn;Ada;7;MS-041;2"],
    ["Příjmení;Jméno;Číslo;Soubor;Počet kusů", "Tarn;Ada;7;MS-041;2"],
    ["Sukunimi;Etunimi;Nro;Kuva;Määrä", "Tarn;Ada;7;MS-041;2"],
    ["Επώνυμο;Όνομα;Αριθμός;Φωτογραφία;Ποσότητα", "Tarn;Ada;7;MS-041;2"],
  ])("is understood by its headings: %s", (head, line) => {
    const { people, problems, map } = read(`${head}\n${line}`);
    expect(problems).toEqual([]);
    expect(map.hasHead).toBe(true);
    expect(people.map(({ name, number, photo, quantity }) => [name, number, photo, quantity])).toEqual([
      ["Ada Tarn", "7", "a", 2],
    ]);
  });

  it("is understood by what is in it where nobody knows its headings, or where there are none", () => {
    const lines = [
      "R-1;MS-041.jpg;Ada Tarn;us-visa;2",
      "R-2;Ben Tarn.jpeg;Ben Tarn;us-visa;2",
      "R-3;c.jpg;Cleo Reed;us-visa;1",
    ];
    const wanted = [
      ["Ada Tarn", "R-1", "a", "us-visa", 2],
      ["Ben Tarn", "R-2", "b", "us-visa", 2],
      ["Cleo Reed", "R-3", null, "us-visa", 1],
    ];
    for (const head of ["αα;ββ;γγ;δδ;εε\n", ""]) {
      const { people, map } = read(`${head}${lines.join("\n")}`);
      expect(map.hasHead).toBe(head !== "");
      expect(people.map((one) => [one.name, one.number, one.photo, one.rule, one.quantity])).toEqual(wanted);
    }
  });

  it("is read as somebody says it is, and tells which photos are nobody’s", () => {
    const text = "Room,Child\nMS-041,Ada\nX,Ben";
    const map = { columns: ["photo", "name"] as const, names: [1], hasHead: true };
    const { people, left } = readPeople(text, { rules }, stash, { ...map, columns: [...map.columns] });
    expect(people.map(({ name, photo, by }) => [name, photo, by])).toEqual([
      ["Ada", "a", "ending"],
      ["Ben", null, null],
    ]);
    expect(left.map(({ id }) => id)).toEqual(["b"]);
  });

  it("gives a photo that comes later to whom the list has it for, and to nobody by a number that ends its name", () => {
    const { people } = read("name,number,photo\nAda,1,later.jpg\nBen,2,");
    const plain = people.map(({ by: _by, line: _line, ...one }) => one);
    const listed = make({ do: "ticket", change: { people: plain } });
    const came = applyEdit(listed, {
      do: "add photos",
      photos: [
        { id: "x", name: "LATER.jpg" },
        { id: "y", name: "IMG_2.jpg" },
      ],
    });
    expect(ticket(came).people.map(({ name, photo, file }) => [name, photo, file])).toEqual([
      ["Ada", "x", undefined],
      ["Ben", null, undefined],
      ["IMG_2", "y", undefined],
    ]);
  });
});

describe("how many of each person", () => {
  // 10 × 15 cm with the fresh job’s margins and gap holds eight of 35 × 45 mm, as “copies” says.
  it("is as many as fit on a sheet, as their rule asks for, or their own number", () => {
    const quantities = (...edits: JobEdit[]) => {
      const job = make(add("ada", "ben"), ...edits);
      return ticket(job).people.map((one) => quantityOf(job, ticket(job), one));
    };
    const { size } = ruleById("icao-portrait");
    const copies = layOut(
      applyEdit(freshJob("copies", "c"), {
        do: "ticket",
        change: { size, copies: "fit", turnPieces: "each" },
      }),
      {},
    );
    const fit: JobEdit = { do: "ticket", change: { copies: "fit" } };
    expect(quantities(fit)).toEqual([copies.sums.pieces, copies.sums.pieces]);
    const job = make(add("ada", "ben"), fit);
    expect(layOut(job, {}).sheets.map(({ cells }) => cells.length)).toEqual(quantities(fit));
    const asking = { ...ruleById("icao-portrait"), id: "own-1", copies: 3 };
    expect(quantities({ do: "ticket", change: { copies: "rule", rules: [asking], rule: "own-1" } })).toEqual([
      3, 3,
    ]);
    const own = ticket(job).people.map((one, i) => ({ ...one, quantity: i === 0 ? 5 : null }));
    expect(quantities({ do: "ticket", change: { copies: 2, people: own } })).toEqual([5, 2]);
  });
});

describe("a photo that is taken of somebody", () => {
  const take = (id: keyof typeof photos, person: number): JobEdit => ({
    do: "take photo",
    photo: { id, name: `${id} taken.jpg` },
    person,
  });

  it("is theirs, whatever it is called, and what they had leaves the stash", () => {
    const job = make(add("ada", "ben"), take("cleo", 1));
    expect(ticket(job).people.map(({ name, photo }) => [name, photo])).toEqual([
      ["ada", "cleo"],
      ["ben", "ben"],
    ]);
    expect(job.stash.map(({ id }) => id)).toEqual(["ben", "cleo"]);
  });

  it("leaves a photo that somebody else is shown by, and is cropped anew", () => {
    const both = ticket(make(add("ada", "ben"))).people.map((one) => ({ ...one, photo: "ada" }));
    const job = make(
      add("ada", "ben"),
      { do: "ticket", change: { people: both } },
      { do: "shot", shot: "1", change: { scale: 2 } },
      take("cleo", 1),
    );
    expect(job.stash.map(({ id }) => id)).toEqual(["ada", "ben", "cleo"]);
    expect(job.shots["1"]).toBeUndefined();
  });

  it("is a photo like any other where nobody has that number", () => {
    const job = make(take("cleo", 9));
    expect(ticket(job).people.map(({ name }) => name)).toEqual(["cleo taken"]);
  });
});

describe("a photo that is put in a cell of somebody", () => {
  const put = (job: Job, photo: string) =>
    applyEdit(job, { do: "put in one", cell: layOut(job, {}).sheets[0]!.cells[0]!.key, photo });

  it("is theirs, in all their pieces, and a name that was only the file’s follows", () => {
    const job = make(add("ada", "ben"), { do: "shot", shot: "1", change: { scale: 2 } });
    const next = put(job, "ben");
    expect(ticket(next).people.map(({ name, photo }) => [name, photo])).toEqual([
      ["ben", "ben"],
      ["ben", "ben"],
    ]);
    expect(next.shots["1"]).toBeUndefined();
    expect(next.cells).toEqual({});
    const named = ticket(job).people.map((one, i) => ({ ...one, name: ["Ada Tarn", "Ben Tarn"][i]! }));
    const listed = applyEdit(job, { do: "ticket", change: { people: named } });
    expect(ticket(put(listed, "ben")).people[0]).toMatchObject({ name: "Ada Tarn", photo: "ben" });
  });
});
