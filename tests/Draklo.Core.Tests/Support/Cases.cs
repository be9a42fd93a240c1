using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Briefs;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>The three worked trees of docs/methods.md, with the lay wherever a test wants it.</summary>
internal static class Cases
{
    public static Plan Lime(double layDeg = 90) =>
        Tree(
            layDeg,
            21,
            0.48,
            0.7,
            0.30,
            (760, 34, 6),
            (6, 0.30, 0.45),
            (-3, 0),
            (3.2, 4.6, 4, 4),
            (0.54, 0.12, 0.05),
            [Line("main", 13, 30, layDeg, 0, 0.5, 1)]
        );

    public static Plan SideLeaner(double layDeg = 90) =>
        Tree(
            layDeg,
            24,
            0.56,
            0.7,
            0.35,
            (850, 44, 8),
            (8, 0.25, 0.45),
            (-1.5, 4),
            (4, 4.5, 6, 3.5),
            (0.64, 0.14, 0.06),
            [Line("main", 15, 34, layDeg - 25, -2.0, 0.4, 1), Line("second", 12, 30, layDeg + 10, -1.0, 0.4, 0.6)]
        );

    public static Plan Spruce(double layDeg = 90) =>
        Tree(
            layDeg,
            28,
            0.42,
            0.8,
            0.25,
            (720, 36, 8),
            (4, 0.35, 0.35),
            (-2, 1),
            (2, 2.5, 2.2, 2.2),
            (0.47, 0.10, 0.045),
            [Line("main", 16, 42, layDeg, 1.5, 0.4, 1)]
        );

    /// <summary>The lime without its leaves: nothing about it is open.</summary>
    public static Plan Sound() =>
        Lime() with
        {
            Wind = new() { SpeedMps = 0, InLeaf = false },
        };

    /// <summary>The lime with its line turned at where its anchor was, toward one farther out and aside.</summary>
    public static Plan OverARedirect() =>
        Lime()
            .WithMain(l =>
                l with
                {
                    Redirects = [new() { At = l.Anchor, HardwareStrengthN = 50000 }],
                    Anchor = l.Anchor with { DistanceM = 45, BearingDeg = 40 },
                }
            );

    public static PlaceMembers Place(double east, double north) => new() { EastM = east, NorthM = north };

    public static Plan WithTargets(Plan plan, params TargetMembers[] targets) =>
        plan with
        {
            Site = plan.Site with { Targets = targets },
        };

    /// <summary>The plan with members put in by their paths, read as a document is.</summary>
    public static Plan Edited(Plan plan, params (string Path, object? Value)[] changes)
    {
        var json = Json(plan);
        foreach (var (path, value) in changes)
        {
            Put(json, path, value);
        }

        var (read, problems) = DocumentReader.Read<Plan>(JsonSerializer.SerializeToUtf8Bytes(json));
        Assert.Empty(problems);
        return read!;
    }

    public static JsonNode Json(string text) => JsonNode.Parse(text)!;

    /// <summary>People of a plan by name and role.</summary>
    /// <summary>The plan with members put in by their paths, each in JSON.</summary>
    public static Plan With(Plan plan, params (string Path, string Json)[] changes) =>
        Edited(plan, [.. changes.Select(c => (c.Path, (object?)JsonNode.Parse(c.Json)))]);

    /// <summary>The page of a plan, as a brief is made of it.</summary>
    public static Brief PageOf(
        Plan plan,
        IReadOnlyDictionary<string, GearItem>? locker = null,
        UnitSystem units = UnitSystem.Metric
    )
    {
        var outcome = JobAnalysis.Of(plan, units, withWorkings: false);
        Assert.True(outcome.Analysis is not null, string.Join("; ", outcome.Problems.Select(p => p.Message)));
        return Brief.Of(
            plan,
            outcome.Analysis,
            plan.Clearing is null ? null : ClearingAnalysis.Of(plan, units).Analysis,
            locker ?? new Dictionary<string, GearItem>(StringComparer.Ordinal),
            units
        );
    }

    public static JsonNode Crew(params (string Name, string Role)[] people) =>
        new JsonArray([.. people.Select(p => new JsonObject { ["name"] = p.Name, ["role"] = p.Role })]);

    public static JsonNode Json(Plan plan) => JsonSerializer.SerializeToNode(plan, DocumentReader.Options)!;

    /// <summary>The document of a plan with one member put in, right or wrong.</summary>
    public static byte[] WithValue(Plan plan, string path, object? value)
    {
        var json = Json(plan);
        Put(json, path, value);
        return JsonSerializer.SerializeToUtf8Bytes(json);
    }

    public static JsonNode? NodeAt(JsonNode json, string path) =>
        Steps(path).Aggregate((JsonNode?)json, (node, step) => Below(node!, step));

    private static void Put(JsonNode json, string path, object? value)
    {
        var steps = Steps(path);
        var node = steps[..^1].Aggregate(json, (at, step) => Below(at, step) ?? (at[step] = new JsonObject()));
        node[steps[^1]] = value is JsonNode made
            ? made.DeepClone()
            : JsonSerializer.SerializeToNode(value, DocumentReader.Options);
    }

    private static string[] Steps(string path) => path.Replace("[", ".[", StringComparison.Ordinal).Split('.');

    private static JsonNode? Below(JsonNode node, string step) =>
        step.StartsWith('[') ? node[int.Parse(step.Trim('[', ']'))] : node[step];

    /// <summary>The tackle of the main line, as it is drawn.</summary>
    public static TackleView ViewOf(Plan plan)
    {
        var (view, problems) = TackleView.Of(plan, 0, UnitSystem.Metric);
        Assert.Empty(problems);
        return view!;
    }

    public static LineMembers Line(
        string id,
        double seat,
        double distance,
        double bearing,
        double rise,
        double height,
        double share
    ) =>
        new()
        {
            Id = id,
            Share = share,
            Seat = new() { HeightM = seat },
            Anchor = new()
            {
                Name = "oak",
                DistanceM = distance,
                BearingDeg = (bearing + 360) % 360,
                GroundRiseM = rise,
                HeightM = height,
                CapacityN = 30000,
                Sling = new() { BreakingStrengthN = 60000 },
            },
            Rope = new()
            {
                BreakingStrengthN = 40000,
                LengthM = 60,
                DiameterM = 0.0127,
                StretchAtTenPercent = 0.025,
            },
            KnotId = "running-bowline",
            Tackle = new()
            {
                SystemId = "five-to-one",
                ContactId = "bushed-block",
                Rope = new() { BreakingStrengthN = 32000, DiameterM = 0.011 },
                HardwareStrengthN = 50000,
                JoinKnotId = "butterfly",
            },
            Puller = new() { Count = 3, EffortEachN = 300 },
        };

    /// <summary>The same plan with its main line changed.</summary>
    public static Plan WithMain(this Plan plan, Func<LineMembers, LineMembers> change) =>
        plan with
        {
            Lines = [change(plan.Lines[0]), .. plan.Lines.Skip(1)],
        };

    public static Analysis Analysed(this Plan plan)
    {
        var outcome = PlanAnalysis.Of(plan);
        Assert.Empty(outcome.Problems);
        return outcome.Analysis!;
    }

    public static Problem OnlyProblem(this Plan plan)
    {
        var outcome = PlanAnalysis.Of(plan);
        Assert.Null(outcome.Analysis);
        return Assert.Single(outcome.Problems);
    }

    /// <summary>Within half a per cent, the tolerance of the worked cases.</summary>
    public static void Near(double expected, double actual, double tolerance = 0.005) =>
        Assert.InRange(
            actual,
            expected - (Math.Abs(expected) * tolerance) - 1e-9,
            expected + (Math.Abs(expected) * tolerance) + 1e-9
        );

    private static Plan Tree(
        double lay,
        double height,
        double dbh,
        double taper,
        double stump,
        (double Density, double Strength, double Stiffness) wood,
        (double Base, double Ratio, double Centre) crown,
        (double Forward, double Right) leanDeg,
        (double Forward, double Back, double Right, double Left) reach,
        (double Diameter, double Notch, double Hinge) cut,
        LineMembers[] lines
    )
    {
        var forward = Math.Tan(Angle.Radians(leanDeg.Forward));
        var right = Math.Tan(Angle.Radians(leanDeg.Right));
        return new()
        {
            Format = Plan.FormatName,
            Version = 1,
            Lay = new() { BearingDeg = lay },
            Tree = new()
            {
                Wood = new()
                {
                    GreenDensityKgM3 = wood.Density,
                    BendingStrengthMPa = wood.Strength,
                    StiffnessGPa = wood.Stiffness,
                },
                HeightM = height,
                DbhM = dbh,
                TaperExponent = taper,
                Lean = new()
                {
                    AngleDeg = Angle.Degrees(Math.Atan(Math.Sqrt((forward * forward) + (right * right)))),
                    BearingDeg = (lay + Angle.Degrees(Math.Atan2(right, forward)) + 360) % 360,
                },
                Crown = new()
                {
                    BaseHeightM = crown.Base,
                    MassRatio = crown.Ratio,
                    CentreFraction = crown.Centre,
                    ReachM = ReachAbout(lay, reach),
                },
            },
            Cut = new()
            {
                StumpHeightM = stump,
                StumpDiameterM = cut.Diameter,
                Notch = new() { DepthM = cut.Notch, OpeningDeg = 70 },
                HingeThicknessM = cut.Hinge,
            },
            Lines = lines,
            Wind = new() { SpeedMps = 0 },
            WalkUp =
            [
                .. FirstWalkUp.Make().Select(w => w with { TickedBy = "Mara", TickedAt = "2026-04-18T08:00:00+02:00" }),
            ],
        };
    }

    /// <summary>Reaches ahead, behind and aside in site terms; the lay must be a quarter turn.</summary>
    private static ReachMembers ReachAbout(double lay, (double Forward, double Back, double Right, double Left) r) =>
        lay switch
        {
            0 => new()
            {
                North = r.Forward,
                South = r.Back,
                East = r.Right,
                West = r.Left,
            },
            90 => new()
            {
                East = r.Forward,
                West = r.Back,
                South = r.Right,
                North = r.Left,
            },
            180 => new()
            {
                South = r.Forward,
                North = r.Back,
                West = r.Right,
                East = r.Left,
            },
            270 => new()
            {
                West = r.Forward,
                East = r.Back,
                North = r.Right,
                South = r.Left,
            },
            _ => throw new ArgumentOutOfRangeException(nameof(lay), lay, "A quarter turn."),
        };
}
