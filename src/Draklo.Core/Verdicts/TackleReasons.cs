using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether each tackle has room, rope and something to hold it, and whether grip, cam and drum suit it.</summary>
internal static class TackleReasons
{
    /// <summary>Line left between the grip and the seat or the redirect before it, metres.</summary>
    private const double LineMargin = 2;

    /// <summary>How far out of line a cam is hauled and still bites, degrees.</summary>
    private const double CamBitesDeg = 15;

    private const double LeastCordRatio = 0.55;
    private const double MostCordRatio = 0.85;

    public static void Add(Findings findings, ReasonList reasons)
    {
        for (var n = 0; n < findings.Lines.Count; n++)
        {
            var line = findings.Plan.Lines[n];
            var path = $"lines[{n}]";
            AddWheels(line, path, reasons);
            AddEffort(line, path, reasons);
            AddGripCord(line, path, reasons);
            AddLimiter(line, findings.Lines[n], path, reasons);
            AddReset(line, findings.Lines[n], path, reasons);
            AddRoom(line, findings.Lines[n], path, reasons);
            AddCam(line, path, reasons);
            AddTackleRope(line, findings.Lines[n], path, reasons);
        }
    }

    /// <summary>More than that nobody keeps up for as long as a pull takes.</summary>
    private static void AddEffort(LineMembers line, string path, ReasonList reasons)
    {
        if (line.Puller is { Kind: PullerKind.People, EffortEachN: > MostEffortN and var each })
        {
            reasons.Check(
                "effort-high",
                $"{each:N} kept up by one person is more than most can: {MostEffortN:N} is a strong steady pull. Try it on a scale, or put more people on.",
                $"{path}.puller.effortEachN",
                null,
                ("eachN", each)
            );
        }
    }

    private const double MostEffortN = 400;

    /// <summary>A vehicle grips with the wheels that drive.</summary>
    private static void AddWheels(LineMembers line, string path, ReasonList reasons)
    {
        if (line.Puller is { Kind: PullerKind.Vehicle, Vehicle: { BrakedShare: null } })
        {
            reasons.Check(
                "driven-wheels-unknown",
                $"Which wheels of the vehicle on the {line.Id} line drive is not given: half its weight is assumed, as on two.",
                $"{path}.puller.vehicle.brakedShare"
            );
        }
    }

    private static void AddGripCord(LineMembers line, string path, ReasonList reasons)
    {
        if (line.Tackle is not { Grip.CordDiameterM: { } cord })
        {
            return;
        }

        var ratio = cord / (line.Joined?.Rope ?? line.Rope).DiameterM;
        if (ratio is < LeastCordRatio or > MostCordRatio)
        {
            reasons.Check(
                "grip-cord-ratio",
                $"The friction hitch's cord is {Figures.Plain(ratio, 2)} of the line's diameter; hitches bite best with a cord of 0.6 to 0.8. Test it in pre-tension.",
                $"{path}.tackle.grip.cordDiameterM",
                null,
                ("ratio", ratio)
            );
        }
    }

    private static void AddLimiter(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        if (result.Limiter is not { } limiter)
        {
            return;
        }

        if (line.Limiter is not { } drum)
        {
            var puller = line.Puller.Kind == PullerKind.Vehicle ? "vehicle" : "machine";
            reasons.Check(
                "no-limiter",
                $"Nothing limits what the {puller} on the {line.Id} line puts on the rope: it can break any of it. Put friction turns between them, held by hand. {limiter.Text}",
                $"{path}.limiter"
            );
            return;
        }

        var turns = limiter.Choices[drum.Turns - 1];
        if (turns.SlipLowN < limiter.NeededN && turns.SlipN >= limiter.NeededN)
        {
            reasons.Check(
                "drum-may-slip",
                $"The drum may slip at {turns.SlipLowN:N} with a light hand on a smooth drum, and the plan needs {limiter.NeededN:N}. {limiter.Text}",
                $"{path}.limiter.turns",
                null,
                ("slipLowN", turns.SlipLowN),
                ("neededN", limiter.NeededN)
            );
        }

        if (turns.SlipHighN > limiter.AllowedN)
        {
            reasons.Check(
                "drum-may-hold-too-much",
                $"With a firm hand up to {turns.SlipHighN:N} come through the drum, over the {limiter.AllowedN:N} that the weakest link allows. {limiter.Text}",
                $"{path}.limiter.turns",
                null,
                ("slipHighN", turns.SlipHighN),
                ("allowedN", limiter.AllowedN)
            );
        }
    }

    private static void AddReset(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        var sets = result.Tackle.Sets.Sets;
        if (sets > 1 && !HoldingPiece.Of(line, TackleSystems.Of(line.Tackle)).Held)
        {
            reasons.Check(
                "nothing-holds-in-reset",
                $"The tackle of the {line.Id} line closes {sets} times for a take-up of {result.TakeUpM:m}, and nothing in the plan holds the line while you reset the tackle: put a grip or turns on it, or open the tackle farther.",
                $"{path}.tackle.openedM",
                null,
                ("sets", sets),
                ("takeUpM", result.TakeUpM)
            );
        }
    }

    private static void AddRoom(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        var lastLeg = line.Redirects.Count == 0 ? result.RunM : result.RunM - result.LengthM;
        for (var i = 1; i < line.Redirects.Count; i++)
        {
            lastLeg -= result.Redirects[i - 1].At.DistanceTo(result.Redirects[i].At);
        }

        if (result.Tackle.SpaceM > lastLeg - LineMargin)
        {
            reasons.Check(
                "tackle-needs-room",
                $"The opened tackle of the {line.Id} line takes {result.Tackle.SpaceM:m} from the anchor to the grip, and the line runs {lastLeg:m} there: start with the blocks closer, or find an anchor farther off.",
                $"{path}.tackle.openedM",
                null,
                ("spaceM", result.Tackle.SpaceM),
                ("roomM", lastLeg)
            );
        }
    }

    /// <summary>A cam bites a rope that leaves it in line; the hands must not stand aside.</summary>
    private static void AddCam(LineMembers line, string path, ReasonList reasons)
    {
        if (
            line.Tackle.Capture is not { Kind: CaptureKind.Cam, Rope: 0, Contact: 0 }
            || line.Puller.Place is not { } place
        )
        {
            return;
        }

        var anchor = Place.At(line.Anchor.DistanceM, line.Anchor.BearingDeg);
        var before =
            line.Redirects.Count == 0
                ? new Place(0, 0)
                : Place.At(line.Redirects[^1].At.DistanceM, line.Redirects[^1].At.BearingDeg);
        var outward = anchor.BearingFrom(before);
        var hauled = TackleSystems.Of(line.Tackle).HauledBack ? outward + 180 : outward;
        var off = Math.Abs(Angle.Between(hauled, new Place(place.EastM, place.NorthM).BearingFrom(anchor)));
        if (off > CamBitesDeg)
        {
            reasons.Check(
                "cam-out-of-line",
                $"The cam on the {line.Id} line is hauled {off:deg} out of line: it may not bite, and the load runs back. Stand in line with the tackle, or set a redirect in line with it and haul aside from there.",
                $"{path}.puller.place",
                null,
                ("offDeg", off)
            );
        }
    }

    private static void AddTackleRope(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        if (
            line.Tackle.Rope is { LengthM: { } length }
            && !TackleSystems.Of(line.Tackle).InLine
            && length < result.Tackle.RopeM
        )
        {
            reasons.Check(
                "tackle-rope-short",
                $"The tackle rope of the {line.Id} line is {length:m}; fully opened it takes {result.Tackle.RopeM:m} with its tail: start with the blocks closer, or take a longer one.",
                $"{path}.tackle.rope.lengthM",
                null,
                ("lengthM", length),
                ("neededM", result.Tackle.RopeM)
            );
        }
    }
}
