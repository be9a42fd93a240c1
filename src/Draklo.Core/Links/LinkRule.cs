namespace Draklo.Core.Links;

/// <summary>
/// One kind of link: what it is, where it is drawn, how it comes onto the load path and what would make it hold.
/// </summary>
/// <remarks>Method M9. A new kind of link is a class of this and an entry in <see cref="LinkRules"/>.</remarks>
public abstract class LinkRule(LinkKind kind, string suffix, LinkMark mark)
{
    public LinkKind Kind { get; } = kind;

    /// <summary>The end of its ids, as in "knot" of "main.knot".</summary>
    public string Suffix { get; } = suffix;

    public LinkMark Mark { get; } = mark;

    /// <summary>Whether it gives by slipping, so that a worst load makes it creep rather than break.</summary>
    public virtual bool Slips => false;

    /// <summary>Whether its strength limits how hard the line may be pulled.</summary>
    public virtual bool LimitsTension => true;

    /// <summary>Whether it is the puller's own effort, which can be too small but does not break.</summary>
    public virtual bool IsEffort => false;

    /// <summary>Members of the line that its strength follows from, as beginnings of paths within the line.</summary>
    public virtual IReadOnlyList<string> Members => [];

    /// <summary>Whether it is something that the line is made fast to.</summary>
    public virtual bool IsAnchor => false;

    /// <summary>Changes of the plan that may make such a link hold, each kind of change a ladder.</summary>
    internal abstract IEnumerable<Ladder> Remedies(LadderMaker make);

    /// <summary>All changes worth trying for a link: those of its kind, and those that lower what it carries.</summary>
    internal virtual IEnumerable<Ladder> AllRemedies(LadderMaker make)
    {
        var link = make.Link;
        foreach (var ladder in Remedies(make))
        {
            yield return ladder;
        }

        if (!IsEffort && Kind != LinkKind.Drum && link.Use <= 1 && link.WorstLoadValue > link.StrengthValue)
        {
            foreach (var ladder in make.LesserHeaves())
            {
                yield return ladder;
            }
        }

        yield return make.HigherSeats(make.At);
        yield return make.FartherOut(make.At);
    }
}

/// <summary>A kind of link that each line has once.</summary>
public abstract class LineRule(LinkKind kind, string suffix, LinkMark mark) : LinkRule(kind, suffix, mark)
{
    /// <summary>Puts the link on the path, or says what the plan does not tell about it.</summary>
    internal abstract void AddTo(LineWalk walk);
}

/// <summary>A kind of link that each redirect of a line has once.</summary>
public abstract class RedirectRule(LinkKind kind, string suffix) : LinkRule(kind, suffix, LinkMark.Redirect)
{
    /// <inheritdoc cref="LineRule.AddTo"/>
    internal abstract void AddTo(RedirectWalk walk);
}

/// <summary>A kind of link that all lines load together.</summary>
public abstract class TreeRule(LinkKind kind, string suffix, LinkMark mark) : LinkRule(kind, suffix, mark)
{
    /// <inheritdoc cref="LineRule.AddTo"/>
    internal abstract void AddTo(TreeWalk walk);

    internal override IEnumerable<Ladder> AllRemedies(LadderMaker make)
    {
        foreach (var ladder in Remedies(make))
        {
            yield return ladder;
        }

        for (var at = 0; at < make.Plan.Lines.Count; at++)
        {
            yield return make.HigherSeats(at);
            yield return make.LowerSeats(at);
            yield return make.FartherOut(at);
        }
    }
}
