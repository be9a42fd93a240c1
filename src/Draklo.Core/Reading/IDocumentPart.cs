namespace Draklo.Core.Reading;

/// <summary>
/// A group of members of a JSON document. Its ranges are checked wherever it stands in another group or in a list.
/// </summary>
public interface IDocumentPart;
