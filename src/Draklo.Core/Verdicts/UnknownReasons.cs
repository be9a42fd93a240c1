using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Strengths and pieces that the plan does not give.</summary>
internal static class UnknownReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        var unknowns = findings.Pull.Path.Unknowns.List;
        for (var i = 0; i < unknowns.Count; i++)
        {
            reasons.Add(unknowns[i]);
        }
    }
}
