using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Strengths and pieces that the plan does not give.</summary>
internal static class UnknownReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        foreach (var unknown in findings.Pull.Path.Unknowns.List)
        {
            reasons.Add(unknown);
        }
    }
}
