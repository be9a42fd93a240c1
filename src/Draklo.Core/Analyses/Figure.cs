using Draklo.Core.Geometry;

namespace Draklo.Core.Analyses;

/// <summary>What the drawings place: the tree as resolved, in the lay frame.</summary>
/// <param name="ViewDeg">The main line's turn from the lay, positive to the right: the elevation is seen square to
/// it.</param>
/// <param name="GroundUpM">Ground at the stump, below the plane of the cut.</param>
/// <param name="Conifer">Whether the species is one; a tree of unnamed wood is drawn as a broadleaf.</param>
public sealed record Figure(
    double ViewDeg,
    double GroundUpM,
    bool Conifer,
    IReadOnlyList<StemSlice> Stem,
    CrownFigure Crown,
    IReadOnlyList<LineFigure> Lines
);

public sealed record StemSlice(double ForwardM, double RightM, double UpM, double DiameterM);

/// <param name="ReachAheadM">From the stem line toward the main line's anchor.</param>
/// <param name="ReachBehindM">Away from it.</param>
public sealed record CrownFigure(double BaseUpM, double TopUpM, double ReachAheadM, double ReachBehindM);

/// <param name="Anchor">Where the tackle hangs, past all redirects.</param>
/// <param name="AnchorGroundUpM">Ground at the anchor.</param>
/// <param name="Foot">Where a base tie's leg comes down; null for a tip tie.</param>
/// <param name="Turns">Where it turns on the way, from the tree outward.</param>
public sealed record LineFigure(
    string Id,
    LayPoint Seat,
    LayPoint Anchor,
    double AnchorGroundUpM,
    LayPoint? Foot,
    IReadOnlyList<LayPoint> Turns
);
