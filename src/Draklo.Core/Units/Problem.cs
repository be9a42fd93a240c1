namespace Draklo.Core.Units;

/// <summary>Why a plan cannot be read or computed.</summary>
/// <param name="Path">The member that is wrong, as in "lines[0].seat.heightM"; empty for the document as a
/// whole.</param>
/// <param name="Message">One sentence a feller understands: what is wrong and what to change.</param>
public sealed record Problem(string Path, string Message);
