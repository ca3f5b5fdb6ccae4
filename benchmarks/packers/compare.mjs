// Plain rectangles on sheets of one size, laid out by Drapery and by libraries for packing, which
// know neither grain nor cuts from edge to edge: how many sheets each needs.
//   npm install && node compare.mjs ../../build/release/bin/drapery-cli SECONDS
import { spawnSync } from "node:child_process";
import { pack2D, BestAreaFit, BestLongSideFit, BestShortSideFit, BottomLeft } from "binpackingjs";
import { packer as guillotine } from "guillotine-packer";
import { MaxRectsPacker } from "maxrects-packer/dist/maxrects-packer.mjs";

const [cli, seconds] = process.argv.slice(2);
const across = 700, along = 1000;

/// Draws the same numbers each time (Park and Miller's generator of 1988).
function drawing(seed) {
  let state = seed;
  return (least, most) => {
    state = (state * 48271) % 2147483647;
    return least + (state % (most - least + 1));
  };
}

function problem(seed, pieces, kinds) {
  const draw = drawing(seed);
  const parts = [];
  for (let kind = 0; kind < kinds; ++kind) {
    const h = draw(80, 420);
    const w = draw(1, 7) === 1 ? draw(20, 60) : Math.round((h * draw(35, 90)) / 100);
    const qty = Math.floor((pieces * (kind + 1)) / kinds) - Math.floor((pieces * kind) / kinds);
    parts.push({ id: `p${kind}`, material: "board", w, h, qty, grain: "free" });
  }
  return parts;
}

const each = (parts) => parts.flatMap((part) => Array(part.qty).fill(part));

const packers = {
  drapery(parts) {
    const stock = {
      id: "sheet", material: "board", form: "sheet", W: across, L: along, grain: "L", count: null,
      trim: { left: 0, right: 0, bottom: 0, top: 0 }, kerf: 0, cost: 1,
    };
    const input = JSON.stringify({
      name: "drawn", schema: "drapery-cut/1", units: "mm", objective: "min_cost", stocks: [stock], parts,
    });
    const run = spawnSync(cli, ["cut", "-", "--seconds", seconds, "--format", "json"], { input });
    if (run.status !== 0) throw new Error(String(run.stderr));
    return JSON.parse(run.stdout).sheets.reduce((sum, sheet) => sum + (sheet.repeat ?? 1), 0);
  },
  "maxrects-packer"(parts) {
    const packer = new MaxRectsPacker(across, along, 0, {
      smart: false, pot: false, square: false, allowRotation: true, tag: false, border: 0,
    });
    packer.addArray(each(parts).map((part) => ({ width: part.w, height: part.h, data: part.id })));
    return packer.bins.length;
  },
  "guillotine-packer"(parts) {
    const items = each(parts).map((part) => ({ name: part.id, width: part.w, height: part.h }));
    return guillotine({ binWidth: across, binHeight: along, items }, { kerfSize: 0, allowRotation: true }).length;
  },
  binpackingjs(parts) {
    const boxes = each(parts).map((part) => ({ width: part.w, height: part.h }));
    const bins = boxes.map(() => ({ width: across, height: along }));
    const needed = [BestAreaFit, BestLongSideFit, BestShortSideFit, BottomLeft].map((Heuristic) => {
      const found = pack2D({ bins, boxes, heuristic: new Heuristic() });
      return found.packedBins.filter((bin) => bin.boxes.length > 0).length;
    });
    return Math.min(...needed);
  },
};

const names = Object.keys(packers);
console.log(["pieces", "kinds", ...names].join("\t"));
let worse = 0;
for (const [pieces, kinds] of [[24, 12], [40, 40], [80, 20], [150, 30], [300, 40], [600, 60]])
  for (const seed of [1, 2]) {
    const parts = problem(1000 * pieces + 10 * kinds + seed, pieces, kinds);
    const needed = names.map((name) => packers[name](parts));
    worse += needed.slice(1).filter((other) => other > 0 && other < needed[0]).length;
    console.log([pieces, kinds, ...needed].join("\t"));
  }
console.log(worse === 0 ? "Never worse." : `Worse ${worse} times.`);
process.exit(worse === 0 ? 0 : 1);
