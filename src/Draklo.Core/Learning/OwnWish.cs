using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Learning;

/// <summary>Whether the crew wants one of its own figures in new plans.</summary>
public sealed record OwnWish : IDocumentPart
{
    [Display(Name = "Figure", Description = "Its id, as in pull.lime.")]
    [RegularExpression(
        "^[a-z0-9][a-z0-9.' -]{0,99}$",
        ErrorMessage = "takes small letters, digits, points, apostrophes, spaces and hyphens, 1 to 100 of them."
    )]
    public required string Id { get; init; }

    [Display(Name = "In new plans")]
    public required bool Used { get; init; }

    [Display(Name = "Said by")]
    [MaxLength(60)]
    public required string By { get; init; }
}
