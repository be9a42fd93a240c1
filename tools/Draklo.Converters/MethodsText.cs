using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;

namespace Draklo.Converters;

/// <summary>Writes one method for each type that is asked for, and for those that these ask for.</summary>
/// <param name="verb">What the methods do, as their names begin: "Read" or "Write".</param>
internal abstract class MethodsText(Code code, string verb)
{
    private readonly Dictionary<ITypeSymbol, string> names = new(SymbolEqualityComparer.Default);
    private readonly Queue<Shape> open = new();

    protected Code Code => code;

    /// <summary>The name of the method for such values. Those of plain ones are written by hand.</summary>
    public string Of(Shape shape)
    {
        if (shape.Kind == ShapeKind.Value)
        {
            return $"{verb}Value<{shape.Name}>";
        }

        if (shape.Kind < ShapeKind.Choice)
        {
            return $"{verb}{shape.Kind}";
        }

        if (!names.TryGetValue(shape.Type, out var name))
        {
            name = $"{verb}{names.Count}";
            names.Add(shape.Type, name);
            open.Enqueue(shape);
        }

        return name;
    }

    public void WriteRest()
    {
        while (open.Count > 0)
        {
            var shape = open.Dequeue();
            Begin(shape, names[shape.Type]);
            code.Open();
            switch (shape.Kind)
            {
                case ShapeKind.Choice:
                    Choice(shape);
                    break;
                case ShapeKind.List:
                    List(shape);
                    break;
                case ShapeKind.Dictionary:
                    Dictionary(shape);
                    break;
                default:
                    Record(shape, names[shape.Type]);
                    break;
            }

            code.Close();
        }
    }

    protected static IEnumerable<IFieldSymbol> ChoicesOf(Shape shape) =>
        shape.Type.GetMembers().OfType<IFieldSymbol>().Where(f => f.HasConstantValue);

    /// <summary>Writes the method's head, and what must stand before it.</summary>
    protected abstract void Begin(Shape shape, string name);

    protected abstract void Choice(Shape shape);

    protected abstract void List(Shape shape);

    protected abstract void Dictionary(Shape shape);

    protected abstract void Record(Shape shape, string name);
}
