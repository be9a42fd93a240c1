/** What speaks for each way of doing it, where crews disagree. Both are supported; the choice says what it costs. */
export const schools = {
  tie: {
    tip: "Half the rope, and the union bears the line alone. It stays up there until the tree is down.",
    base: "No climbing, and it can be let go from the ground; twice the rope and nearly twice the load on the union.",
  },
  join: {
    grip: "Goes on a loaded line and slides along it; it creeps before anything breaks. Prove it in pre-tension.",
    loop: "Cannot slip. It may jam after a hard pull, and its place is fixed.",
  },
  tackle: {
    own: "Goes on and off fast and takes little rope; blocks to carry.",
    line: "Nothing to carry, its friction helps to hold; eats several times the rope and wears it.",
  },
  power: {
    people: "They feel what the tree does, and cannot do much more than the plan asks.",
    machine: "Force enough to break anything here: it wants a limiter and one signal.",
  },
  lines: {
    one: "One strong line: one thing to watch, and nothing behind it.",
    several: "Lines apart, on anchors of their own: an insurance, and they steer.",
  },
} as const;
