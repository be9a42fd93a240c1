namespace Draklo.Core.Reading;

/// <summary>A document that may be written in more than one way, and is put into one when it is read.</summary>
public interface IAsRead<out T>
    where T : class
{
    /// <summary>The same, as everything inside expects it.</summary>
    T AsRead();
}
