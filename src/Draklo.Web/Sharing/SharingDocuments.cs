using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;
using Draklo.Store;

namespace Draklo.Web.Sharing;

/// <summary>Who this page speaks for.</summary>
/// <param name="Here">Whether this is the machine that Draklo runs on: nobody signs in there.</param>
/// <param name="Paired">Whether this device was let in by a code.</param>
/// <param name="Name">Empty while nobody is signed in.</param>
/// <param name="JobId">The only job that a guest sees.</param>
public sealed record SessionAnswer(
    bool Here,
    bool Paired,
    string Name,
    Role? Role,
    IReadOnlyCollection<Right> Rights,
    string? JobId,
    string? EndsAt
);

/// <summary>Somebody who can sign in.</summary>
public sealed record Signer(string Id, string Name);

public sealed record PairDocument : IDocumentPart
{
    [Display(Name = "Code", Description = "As the laptop shows it; spaces and dashes do not matter.")]
    [MaxLength(40)]
    public required string Code { get; init; }

    [Display(Name = "Name of the device", Description = "For the lead's list, as in “Bo's phone”.")]
    [MaxLength(60)]
    public string Device { get; init; } = "";
}

/// <param name="GuestOf">The job whose brief a guest was let in to read; null for a device of the crew.</param>
public sealed record PairedAnswer(string? GuestOf);

public sealed record SignInDocument : IDocumentPart
{
    [Display(Name = "Person", Description = "Short name in the crew's book.")]
    [MaxLength(40)]
    public required string PersonId { get; init; }

    [Display(Name = "PIN")]
    [MaxLength(40)]
    public required string Pin { get; init; }
}

public sealed record CodeDocument : IDocumentPart
{
    [Display(
        Name = "Guest of",
        Description = "Id of the job whose brief a guest may read; left out, the code pairs a device of the crew."
    )]
    [MaxLength(64)]
    public string? GuestOf { get; init; }
}

/// <summary>A code that lets one device in.</summary>
/// <param name="Address">With the code in it, as the square code holds it.</param>
/// <param name="Square">The address as a square code, SVG.</param>
public sealed record CodeAnswer(string Code, string Address, string EndsAt, string Square);

/// <summary>How the yard is shared.</summary>
public sealed record SharingAnswer
{
    /// <summary>Whether anybody else can come in: Draklo was started with --share, or behind a proxy with --host.</summary>
    public required bool On { get; init; }

    /// <summary>Where devices open it.</summary>
    public required string Address { get; init; }

    /// <summary>Where devices get what they must trust first; empty behind a proxy, which brings its own certificate.</summary>
    public required string TrustAddress { get; init; }

    /// <summary>The same as a square code, SVG.</summary>
    public required string TrustSquare { get; init; }

    /// <summary>Of the authority's certificate, SHA-256.</summary>
    public required string Fingerprint { get; init; }

    /// <summary>The day on which it was made.</summary>
    public required string TrustedSince { get; init; }

    public required string TrustedUntil { get; init; }

    /// <summary>Who still has the demo's PIN and cannot sign in before it is changed.</summary>
    public required IReadOnlyList<string> WithDemoPin { get; init; }

    public required IReadOnlyList<PairedDevice> Devices { get; init; }

    public required IReadOnlyList<KeptSession> Sessions { get; init; }

    public required IReadOnlyList<SignInTried> Tried { get; init; }
}
