import type { Option } from "./Pick";

// The names that the design knows, as a knitter says them; the default first.

const list = (...pairs: [string | number | null, string][]): Option[] =>
  pairs.map(([value, label]) => ({ value, label }));

export const options = {
  toe: list(["wedge", "Wedge"], ["garter_square", "Garter square"], ["short_row", "Short rows"]),
  castOn: list(
    ["magic", "Magic, loops in turn"],
    ["turkish", "Turkish, wound"],
    ["figure_eight", "Figure eight"],
  ),
  startLoop: list(["twist", "From a twist"], ["slip_knot", "From a slip knot"], ["plain", "No loop turned"]),
  start: list(
    ["half", "Half the stitches"],
    ["rounded", "A third, rounded"],
    ["fitted", "Fitted to the toes"],
  ),
  increase: list(["kfb", "kfb"], ["kfb_mirrored", "kfb, mirrored"], ["m1", "Made stitches"]),
  school: list(
    ["exact", "Toe's and heel's own rows"],
    ["from_sock", "From a sock that fits"],
    ["thumb", "Rule of thumb"],
  ),
  sole: list(["stockinette", "Smooth outside"], ["reverse", "Smooth inside"]),
  heelWidth: list(["average", "Average"], ["narrow", "Narrow"], ["wide", "Wide"]),
  turn: list(
    ["german", "Double stitch (German)"],
    ["wrap", "Wrap and turn"],
    ["yarn_over", "Yarn-over"],
    ["pinned", "Pinned (Japanese)"],
    ["lift", "Slip and lift"],
  ),
  share: list([0.5, "Half the stitches"], [0.6, "60 %"], [0.65, "65 %"], [0.7, "70 %"]),
  fabric: list(["stockinette", "Stockinette"], ["garter", "Garter"]),
  firstRow: list([null, "As the style begins"], ["RS", "Right side"], ["WS", "Wrong side"]),
  between: list([null, "As the style has it"], [0, "None: stacked"], [1, "One round"], [2, "Two rounds"]),
  corner: list(
    ["outer_legs", "Pick up outer legs"],
    ["lift", "Lift one loop"],
    ["wrap_instep", "Wrap the instep"],
  ),
  change: list(
    ["after_heel", "After the heel"],
    ["before_heel", "Before the heel"],
    ["split", "Half and half"],
    ["none", "Not at all"],
  ),
  place: list(["sides", "At the sides"], ["spread", "Spread round"], ["back", "All in the back"]),
  bindOff: list(["k2tog", "Two together"], ["yarn_over", "With yarn-overs"], ["sewn", "Sewn"]),
  needles: list(
    ["magic_loop", "Magic loop"],
    ["two_circulars", "Two circulars"],
    ["dpn4", "Four double-pointed"],
    ["dpn5", "Five double-pointed"],
    ["short_circular", "Short circular, markers"],
  ),
  multiple: list([4, "Fours"], [2, "Twos"], [6, "Sixes"], [8, "Eights"]),
};
