/** The case for each way, where crews disagree. Both are supported; each note says what it costs. */
export const schools = {
  tie: {
    tip: "Half the rope, and the union carries the line alone. It stays up until the tree is down.",
    base: "No climbing, and you can release it from the ground. Twice the rope, and nearly twice the load on the union.",
  },
  join: {
    grip: "Goes on a loaded line and slides along it. It creeps before anything breaks. Test it in pre-tension.",
    loop: "Cannot slip. It may jam after a hard pull, and its place is fixed.",
  },
  tackle: {
    own: "Fast on and off and needs little rope, but there are blocks to carry.",
    line: "Nothing to carry, and its friction helps to hold. It takes several times the rope, and wears it.",
  },
  power: {
    people: "They feel what the tree does, and cannot pull much harder than planned.",
    machine: "Enough force to break anything here: use a limiter and one signaller.",
  },
  order: {
    tightFirst:
      "The tree cannot sit back on the saw and you see the line bed before you cut. More load while the stem is half cut.",
    notchFirst:
      "The notch is cut with no load on the stem, and the wood is seen before anybody hauls. The line beds on a notched tree.",
    followThePull: "Least load on a half-cut stem. Line and saw must understand each other: one signaller, no gap.",
    presetHinge: "Nobody is at the stump when it goes. The hinge is cut before the tree is tried, and must be right.",
  },
  notch: {
    open: "The hinge holds further round. More wood to cut, and a good eye for where the faces meet.",
    narrow: "Quick, and little to take out. The hinge lets go when the notch closes, at 45°.",
  },
  back: {
    plain: "From behind to the hinge. The wedge goes in as it opens.",
    bore: "The hinge is finished while a strap still holds the tree; it goes when you cut the strap. Takes a practised hand.",
  },
  lines: {
    one: "One strong line: one thing to watch, and no backup.",
    several: "Separate lines on separate anchors: a backup, and they steer.",
  },
} as const;
