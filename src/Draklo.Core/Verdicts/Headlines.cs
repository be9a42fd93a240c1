using System.Collections.Frozen;
using Draklo.Core.Links;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>A reason in at most fifteen words: what would hurt first, and what to do about it.</summary>
/// <remarks>A reason whose own sentence is that short is its own headline. The figures stand in the reasons under it.</remarks>
public static class Headlines
{
    public const int MostWords = 15;

    private const string Link = "{link}";

    /// <summary>The headline of a reason.</summary>
    /// <param name="link">The link that the reason speaks of, by name; null for none.</param>
    public static string Of(Reason reason, string? link = null)
    {
        if (WordsIn(reason.Text) <= MostWords)
        {
            return reason.Text;
        }

        if (!Short.TryGetValue(reason.Code, out var text))
        {
            return FirstPart(reason.Text);
        }

        var named = text.Replace(Link, link ?? "A link", StringComparison.Ordinal);
        return WordsIn(named) <= MostWords ? named : text.Replace(Link, "A link", StringComparison.Ordinal);
    }

    /// <summary>Whether a reason has a headline of its own, beside its sentence.</summary>
    public static bool Has(string code) => Short.ContainsKey(code);

    /// <summary>For what holds: the link that is nearest its limit, as planned or under the hardest heave.</summary>
    /// <param name="isEffort">It is what somebody or something can keep up.</param>
    public static string Nearest(CheckedLink link, string name, bool isEffort, UnitSystem units)
    {
        var named = name.Uncapitalised();
        var kilograms = Figures.AboutKilograms(link.LoadValue, units);
        return link.HeaveUse > link.Use
                ? units.Say($"Nearest its limit: {named}, {link.HeaveUse:%} under the hardest heave.")
            : !isEffort ? units.Say($"Nearest its limit: {named}, {link.Load} of {link.Allowed}.")
            : units.Say($"Nearest its limit: {named}, {link.Load}{kilograms} of {link.Strength}.") is var felt
            && WordsIn(felt) <= MostWords
                ? felt
            : units.Say($"Nearest its limit: {named}, {link.Load} of {link.Strength}.");
    }

    /// <summary>Words with letters or figures in them: a lone unit counts, a dash does not.</summary>
    public static int WordsIn(string text) =>
        text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Count(w => w.Any(char.IsLetterOrDigit));

    /// <summary>For a sentence of somewhere else: up to where it first pauses, or as many words as fit.</summary>
    private static string FirstPart(string text)
    {
        var at = text.AsSpan().IndexOfAny([':', '.', ';']);
        while (at > 0 && at + 1 < text.Length && text[at + 1] != ' ')
        {
            var next = text.AsSpan(at + 1).IndexOfAny([':', '.', ';']);
            at = next < 0 ? -1 : at + 1 + next;
        }

        var part = at > 0 ? text[..at] : text.TrimEnd('.');
        return WordsIn(part) <= MostWords ? $"{part}." : $"{string.Join(' ', part.Split(' ').Take(MostWords))}…";
    }

    private static readonly FrozenDictionary<string, string> Short = new Dictionary<string, string>(
        StringComparer.Ordinal
    )
    {
        ["aim-error-small"] = "The aiming error rests on too few landings: targets are judged with 3°.",
        ["anchor-lifted"] = "The pull lifts the anchor: move it farther out, or lead the line low.",
        ["anchor-tree-decayed"] = "The anchor tree is decayed: look for another, though the sums hold.",
        ["anchor-unknown"] = "What the anchor holds is not given: find out, or choose another.",
        ["anchor-within-reach"] = "The anchor stands within the tree's reach: move it farther out.",
        ["bar-short"] = "The bar is too short: take a longer one, or bite out the core.",
        ["bore-into-hinge"] = "The bore would enter the hinge: leave a thinner strap.",
        ["cam-out-of-line"] = "The cam is hauled out of line and may not bite: redirect it.",
        ["capture-strength-unknown"] = "What the cam holds is not given: read it off the piece.",
        ["careful-end"] = "{link}: past its limit at the careful end. Measure better.",
        ["commit-far"] = "The tree must come very far forward: look for another lay.",
        ["crack-lashed"] = "The stem is cracked and lashed: watch it while the line comes up.",
        ["crew-at-stump"] = "Whoever hauls stands too near the stump: move them out.",
        ["crew-in-snap-back"] = "Whoever hauls stands where a parted line flies: move them out of it.",
        ["crew-too-near"] = "Whoever hauls stands too near the stump: move them out, or name the shelter.",
        ["crew-under-fall"] = "Whoever hauls stands where the tree may fall: move them aside.",
        ["driven-wheels-unknown"] = "Which wheels drive is not given: say so, half the weight is assumed.",
        ["drum-may-hold-too-much"] = "The drum may hold too much: try it first, and enter what it does.",
        ["drum-may-slip"] = "The drum may slip before the tree comes: try it first.",
        ["effort-high"] = "One person cannot keep that up: put more people on.",
        ["factor-low"] = "A design factor is under what is usual: raise it.",
        ["factor-too-low"] = "A design factor leaves nothing for what nobody can measure: raise it.",
        ["factors-lowered"] = "Nobody's name stands to the lowered factors: say who set them.",
        ["factors-under-policy"] = "Reserve or factors are under the crew's own policy: raise them.",
        ["flaw-loaded"] = "A flaw of the rope is under load: put the other end in the tree.",
        ["flaw-on-rope"] = "A rope of the plan is flawed: take another, or cut it there.",
        ["gear-flagged"] = "A piece of gear is due: look at it before it goes on the tree.",
        ["gear-not-in-locker"] = "A piece is not in this locker: choose the one that was meant.",
        ["gear-quarantined"] = "A piece of gear is in quarantine: choose another.",
        ["gear-retired"] = "A piece of gear is retired: choose another.",
        ["gear-shorter"] = "A rope is shorter in the locker than on the plan: measure it.",
        ["gear-used-twice"] = "One piece is used in two places: there is only one.",
        ["gear-weaker"] = "A piece is weaker in the locker than on the plan: read it.",
        ["grip-cord-ratio"] = "The grip's cord does not suit the line: test it in pre-tension.",
        ["guess-matters"] = "A guess decides the pull: measure it, or have it tested.",
        ["gust-low"] = "A light gust uses up the reserve: raise it, or wait for a calm.",
        ["gust-under-wind"] = "The wind that blows uses up the reserve: wait for a calmer hour.",
        ["hauler-too-weak"] = "{link}: cannot haul it. More people, or another tackle.",
        ["helper-without-way-out"] = "The helper at the stump has no way out: clear a second one.",
        ["hinge-barely-holds"] = "The hinge lets go just past commit: nothing guides the tree after that.",
        ["hinge-end-cut-off"] = "A bite cuts off an end of the hinge: move it to the middle.",
        ["hinge-in-rot"] = "Rot or bites shorten the hinge: look at the wood before you go on.",
        ["hinge-lets-go-first"] = "The hinge lets go before the tree commits: open the notch or thin it.",
        ["hinge-may-let-go-first"] = "The hinge may let go before commit: try this wood on a low stump.",
        ["hinge-short"] = "The hinge is short: a deeper notch lengthens it.",
        ["hinge-tears-sideways"] = "The hinge tears sideways: take out the side lean with a second line.",
        ["hinge-thick"] = "The hinge is thick: it needs more pull and splits sooner.",
        ["hinge-thin"] = "The hinge is thin for what it must guide: leave more wood.",
        ["hinge-twists"] = "The hinge twists off: set the line nearer the lay.",
        ["joint-in-union"] = "The joining knot would lie in the union: take the longer rope first.",
        ["joint-meets-redirect"] = "The joining knot would run into the redirect: change which rope goes first.",
        ["joint-near-anchor"] = "The joining knot comes near the anchor: turn the ropes round.",
        ["lashing-weak"] = "A lashing of the fork is too weak: lash higher, or stronger.",
        ["lashings-short"] = "The lashings bear too little to count: lash higher, or stronger.",
        ["lay-off-mark"] = "The lay runs off its mark: turn it, or move the mark.",
        ["lean-one-view"] = "The lean was seen from one side: look again a quarter turn round.",
        ["limb-unknown"] = "The limb that the line lies on is not given: measure it.",
        ["line-steep"] = "The line runs steeply down: take an anchor farther off, or a lower seat.",
        ["link-breaks-at-worst"] = "{link}: breaks under the hardest heave. Limit the pull, or strengthen it.",
        ["link-fails"] = "{link}: fails under the plan. Take a stronger one, or pull less.",
        ["link-slips"] = "{link}: slips under the plan. Take another.",
        ["link-tight"] = "{link}: tight. Look for more to spare before you pull.",
        ["no-limiter"] = "Nothing limits the machine: put friction turns between it and the rope.",
        ["no-way-out"] = "Every escape route is given up: nobody cuts without one.",
        ["not-bed-tested"] = "The line does not lie on the stem: shake it in, or seat it again.",
        ["notch-closed"] = "The notch closes almost at once: open it to 35° or more.",
        ["notch-deep"] = "The notch is deeper than a third of the stump: cut it shallower.",
        ["notch-narrow"] = "The notch closes early and breaks the hinge: open it to 35°.",
        ["nothing-holds-in-reset"] = "Nothing holds the line while you reset the tackle: plan a grip.",
        ["nothing-measured"] = "Nothing is measured yet: enter the tree's height, girth and lean.",
        ["one-way-out"] = "There is one escape route: add the other, near 135° off the lay.",
        ["people-in-snap-back"] = "A parted line would fly where people are: keep them out.",
        ["people-under-fall"] = "People's place lies where the tree falls: keep them out.",
        ["people-within-reach"] = "People's place lies within twice the height: nobody stays there during cutting.",
        ["person-at-stump"] = "Somebody stands too near the stump: move them out.",
        ["person-in-snap-back"] = "Somebody stands where a parted line flies: move them out of it.",
        ["person-too-near"] = "Somebody stands too near the stump: move them out, or name the shelter.",
        ["person-under-fall"] = "Somebody stands where the tree may fall: move them aside.",
        ["piece-old"] = "{link}: older than crews go by. Take a younger one.",
        ["piece-worn"] = "{link}: keeps too little of its strength. Take another.",
        ["planned-over-early-go"] = "The planned pull would split the stem: hold less until the hinge is cut.",
        ["planned-too-low-in-hundred"] = "The planned pull is too low at the careful end: raise the reserve.",
        ["planned-under-floor"] = "The planned pull lets the tree sit back: raise the reserve.",
        ["power-line-crossed"] = "A loaded line may reach a power line: the utility decides first.",
        ["power-line-near"] = "A power line is within two heights: call the utility first.",
        ["power-line-under-fall"] = "The tree would fall on a power line: nobody cuts.",
        ["pretension-window-empty"] = "No pre-tension fits: bore with a strap, lash the stem, or add a line.",
        ["puller-anchor-unknown"] = "What holds the winch is not given: name its anchor.",
        ["reading-girth"] = "The tape and the plan disagree about the stem: measure again.",
        ["reading-height"] = "The reading and the plan disagree about the height: measure again.",
        ["reading-lean"] = "The views and the plan disagree about the lean: look again.",
        ["redirect-in-the-lay"] = "A redirect hangs in the lay: set it aside, or beyond the top.",
        ["reserve-low"] = "The load reserve leaves little for what nobody can measure: raise it.",
        ["road-open"] = "A road runs under a loaded line: say who keeps it closed.",
        ["roots-lifted"] = "The roots are damaged: the tree may come over roots and all.",
        ["rope-short-for-setting"] = "The rope is too short to set: take a longer one, or join two.",
        ["rope-too-short"] = "The rope does not reach: take a longer one, or a nearer anchor.",
        ["seat-low"] = "A line sits too low for a lever: set it higher.",
        ["shell-thin"] = "The sound shell is too thin for a hinge: take it down another way.",
        ["soundness-reduced"] = "The wood is not sound: look where the rot stands.",
        ["soundness-too-low"] = "The wood is too rotten to trust: take it down another way.",
        ["splitting-risk-high"] = "The stem may well split: bore and leave a strap, or lash it.",
        ["splitting-risk-raised"] = "The stem may split: bore and leave a strap, or lash it.",
        ["strap-in-rot"] = "Rot stands in the release strap: leave it where the wood is sound.",
        ["strap-thin"] = "The release strap is too thin: leave more, or tighten once it is cut.",
        ["stump-thinner"] = "The stump is thinner than the stem above it: measure again.",
        ["tackle-needs-room"] = "The opened tackle needs more room: start closer, or move the anchor.",
        ["tackle-rope-short"] = "The tackle rope is too short: start with the blocks closer.",
        ["taper-wrong-side"] = "The hinge is thicker on the wrong side: turn the taper round.",
        ["target-close"] = "Something stands close beside the fall: turn the lay, or aim better.",
        ["target-under-fall"] = "Something lies under the falling tree: turn the lay.",
        ["throw-falls-short"] = "The throw does not reach the seat: throw another way, or seat it lower.",
        ["torn-hits"] = "A torn hinge would drop the tree on something: steer it.",
        ["tree-cracked"] = "The stem or a fork is cracked: lash it, or take it down otherwise.",
        ["tree-dead"] = "The tree is dead: keep out from under it, expect a brittle hinge.",
        ["twigs-under-line"] = "Twigs lie under the line: tug them off.",
        ["walk-up-missing"] = "No walk-up list is kept: put the usual one back and tick it.",
        ["walk-up-open"] = "Points of the walk-up list are open: look, and tick them by name.",
        ["way-out-ahead"] = "An escape route leads too far ahead: back and aside, near 135°.",
        ["way-out-behind"] = "An escape route leads straight back: back and aside, near 135°.",
        ["way-out-blocked"] = "An escape route is blocked: clear it, or move it.",
        ["way-out-ends-badly"] = "An escape route ends where a parted line flies: lead it aside.",
        ["wedge-overloaded"] = "A slack line would crush the wedges: put more side by side.",
        ["wind-not-given"] = "Nobody has said what the wind does: enter wind and gusts.",
        ["wind-strong"] = "The wind works on the crown: wait for less if you can.",
        ["window-closes"] = "The pre-tension window closes at the careful end: measure better, or strengthen the line.",
        ["rig-alloy-hammered"] = "A piece of alloy is hammered and cracks without a sign: take steel.",
        ["rig-anchor-unknown"] = "An anchor of the rigging is not given: name it.",
        ["rig-astern-no-tree"] = "The tree itself cannot be worked out: mend that first.",
        ["rig-astern-pulls-aside"] = "The line behind pulls the tree aside: set it straighter behind.",
        ["rig-block-too-low"] = "The load would hang higher than the block: raise the block.",
        ["rig-block-unknown"] = "What a block breaks at is not given: read it off the piece.",
        ["rig-careful-end"] = "{link}: past its limit at the careful end. Weigh a piece.",
        ["rig-carriage-free"] = "Nothing holds the carriage: put a hauling line on it.",
        ["rig-carriage-runs"] = "The loaded carriage runs downhill: brake it round a drum.",
        ["rig-carriage-unknown"] = "What the carriage breaks at is not given: read it off the piece.",
        ["rig-catch-rope"] = "Which rope catches the piece is not given: choose it.",
        ["rig-climber-on-rigging"] = "The climber hangs on the rigging: give them a point of their own.",
        ["rig-comes-down-on"] = "A piece comes down on something: let it down another way.",
        ["rig-comes-down-on-thing"] = "A piece comes down on something: clear it first.",
        ["rig-drags-over"] = "The logs are dragged over something: clear it, or lead them round.",
        ["rig-drags-through"] = "The logs would be dragged through something: go round, or lift them over.",
        ["rig-drum-unknown"] = "What the drum breaks at is not given: read it off the piece.",
        ["rig-guy-wrong-side"] = "The guy stands on the wrong side: set it straight behind.",
        ["rig-hard-pull-aloft"] = "A hard pull with somebody aloft: take a smaller top.",
        ["rig-hauler-under-top"] = "Whoever hauls stands where the top comes down: move them out.",
        ["rig-hinge-goes-first"] = "The hinge lets go before you stop: then nothing guides its foot.",
        ["rig-limb-pulled"] = "A limb is pulled outward: choose one that the force presses.",
        ["rig-line-rubs"] = "The line rubs on the ground: lead it higher, or over a roller.",
        ["rig-line-without-fall"] = "The tight line has no fall to slide down: raise its top.",
        ["rig-lines-cross"] = "Two loaded ropes cross: move one, or take it down first.",
        ["rig-load-near"] = "The load hangs too near the ground: it swings and will touch.",
        ["rig-load-runs-away"] = "The log runs away by itself: hold it from above on a line.",
        ["rig-load-touches"] = "The load touches: raise the block, or let the line sag less.",
        ["rig-may-run-too-far"] = "The piece may run too far: try the drum with a light log.",
        ["rig-metal-unknown"] = "What runs on the line is not given: it must be of steel.",
        ["rig-never-stops"] = "The drum never stops the piece: take another turn, or a smaller piece.",
        ["rig-no-drum"] = "Nothing holds the rope below, and people cannot: plan a drum.",
        ["rig-no-span"] = "The ends of the loaded line stand over each other: move one.",
        ["rig-people-not-placed"] = "Nobody has said where everybody stands: give each a place.",
        ["rig-person-in-line"] = "Somebody stands in line with a loaded rope: move them aside.",
        ["rig-person-in-way"] = "Somebody stands in the way of a load: move them aside.",
        ["rig-person-inside-turn"] = "Somebody stands inside the turn at the block: move them out.",
        ["rig-person-at-spar"] = "Somebody stands at the foot of the spar: stand well off.",
        ["rig-person-under-point"] = "Somebody stands under a rigging point: nobody does while loads move.",
        ["rig-person-under-load"] = "Somebody stands under a load: nobody does while loads move.",
        ["rig-piece-aside"] = "A piece lies aside and would swing in: bring it under the line.",
        ["rig-point-on-no-limb"] = "A point's limb is not given: measure it at its union.",
        ["rig-rope-short"] = "A rope of the rigging is too short: take a longer one.",
        ["rig-rope-spoiled"] = "Sliding spoils the line: take an old rope and mark it.",
        ["rig-rope-unknown"] = "A rope of the rigging is not given: choose it.",
        ["rig-rope-wears"] = "The rope saws over a point under load: hang a block there.",
        ["rig-runs-too-far"] = "The piece runs too far before it stops: take another turn.",
        ["rig-slides-into"] = "The piece slides into something: raise the line's foot, or tighten it.",
        ["rig-sling-unknown"] = "What a sling breaks at is not given: read it off the piece.",
        ["rig-spar-decayed"] = "The high point is decayed: probe it before anything hangs on it.",
        ["rig-spar-hollow"] = "The high point is hollow: take another.",
        ["rig-spar-without-guy"] = "The spar stands without a guy: hang one straight behind.",
        ["rig-stop-lean-open"] = "At which lean you stop and look is not said: say so.",
        ["rig-stop-too-late"] = "The stop comes too late: stop at less lean.",
        ["rig-tackle-unknown"] = "What the hauling tackle breaks at is not given: read it.",
        ["rig-tag-under-block"] = "The tag line is held under the high point: stand clear.",
        ["rig-tag-wrong-side"] = "The tag line cannot hold the load: hold it from the other side.",
        ["rig-too-heavy-to-carry"] = "Pieces are too heavy to carry: cut them shorter.",
        ["rig-top-line-low"] = "The line sits above the top's cut: put it under.",
        ["rig-top-sits-back"] = "The top sits back on the saw: pull harder.",
        ["rig-way-open"] = "A road or path runs under the work: say who closes it.",
    }.ToFrozenDictionary(StringComparer.Ordinal);
}
