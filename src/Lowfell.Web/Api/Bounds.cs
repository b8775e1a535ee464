using System.Collections;
using System.Collections.Concurrent;
using System.Linq.Expressions;
using System.Reflection;
using System.Text.Json;
using Lowfell.Core.Colour;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Api;

/// <summary>
/// Holds what is sent to the bounds that its fields are marked with, however deep they lie. Each kind of body is read once and compiled
/// to getters: the preview asks on every keystroke, so a request that holds costs no allocation.
/// </summary>
internal sealed class Bounds
{
    private static readonly ConcurrentDictionary<Type, Bounds> Known = new();

    private readonly (string Name, Func<object, double?> Get, FigureBoundAttribute Bound)[] figures;
    private readonly (string Name, Func<object, IReadOnlyList<double>?> Get, FigureBoundAttribute Bound)[] rows;
    private readonly (string Name, Func<object, string?> Get, LengthBoundAttribute? Length)[] texts;
    private readonly (string Name, Func<object, object?> Get, LengthBoundAttribute Length)[] lists;
    private readonly (string Name, Func<object, object?> Get, Bounds Of)[] within;

    private Bounds(Type type)
    {
        var fields = type.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.GetIndexParameters().Length == 0)
            .Select(p => (Property: p, Name: JsonNamingPolicy.CamelCase.ConvertName(p.Name), Bounds: On(p))).ToList();
        figures = [.. from f in fields from b in f.Bounds.OfType<FigureBoundAttribute>() where IsFigure(f.Property.PropertyType) select (f.Name, Getter<double?>(f.Property), b)];
        rows = [.. from f in fields from b in f.Bounds.OfType<FigureBoundAttribute>() where !IsFigure(f.Property.PropertyType) select (f.Name, Row(f.Property), b)];
        texts = [.. from f in fields where f.Property.PropertyType == typeof(string) from b in f.Bounds where b is LengthBoundAttribute or ColourBoundAttribute select (f.Name, Getter<string?>(f.Property), b as LengthBoundAttribute)];
        lists = [.. from f in fields where f.Property.PropertyType != typeof(string) from b in f.Bounds.OfType<LengthBoundAttribute>() select (f.Name, Getter<object?>(f.Property), b)];
        within = [.. from f in fields let inner = Inner(f.Property.PropertyType) where inner is not null && inner != type let of = Of(inner) where of.Any select (f.Name, Getter<object?>(f.Property), of)];
    }

    private bool Any => figures.Length + rows.Length + texts.Length + lists.Length + within.Length > 0;

    /// <summary>Checks every body, and every marked word of the address, before an endpoint sees it.</summary>
    public static EndpointFilterDelegate Filter(EndpointFilterFactoryContext context, EndpointFilterDelegate next)
    {
        var checks = context.MethodInfo.GetParameters().Select((p, i) => (Place: i, Check: Check(p))).Where(c => c.Check is not null).ToArray();
        return checks.Length == 0 ? next : call =>
        {
            foreach (var (place, check) in checks)
            {
                check!(call.Arguments[place]);
            }

            return next(call);
        };
    }

    /// <summary>Refuses a body in which a field is out of its bounds.</summary>
    /// <exception cref="RefusedException">One is; every one is named.</exception>
    public static void Enforce(object body)
    {
        if (!Of(body.GetType()).Holds(body))
        {
            Read(body).Enforce();
        }
    }

    /// <summary>What of a body is out of its bounds.</summary>
    public static Checks Read(object body)
    {
        var checks = new Checks();
        Of(body.GetType()).Note(body, "", checks);
        return checks;
    }

    /// <summary>The marks of a property, or of the parameter of a record's constructor that it comes from.</summary>
    public static IReadOnlyList<Attribute> On(PropertyInfo property)
    {
        var parameter = property.DeclaringType!.GetConstructors().SelectMany(c => c.GetParameters()).FirstOrDefault(p => p.Name == property.Name && p.ParameterType == property.PropertyType);
        return [.. property.GetCustomAttributes().Concat(parameter?.GetCustomAttributes() ?? []).Where(IsMark)];
    }

    /// <summary>Whether an attribute tells a bound.</summary>
    public static bool IsMark(Attribute attribute) => attribute is FigureBoundAttribute or LengthBoundAttribute or ColourBoundAttribute;

    private static Bounds Of(Type type) => Known.GetOrAdd(type, t => new Bounds(t));

    private static Action<object?>? Check(ParameterInfo parameter)
    {
        var name = parameter.Name!;
        if (parameter.GetCustomAttributes().FirstOrDefault(IsMark) is { } mark)
        {
            return value =>
            {
                var checks = new Checks();
                switch (mark)
                {
                    case FigureBoundAttribute bound when value is not null:
                        checks.Figure(name, Convert.ToDouble(value, System.Globalization.CultureInfo.InvariantCulture), bound);
                        break;
                    case LengthBoundAttribute length:
                        checks.Length(name, value as string, length);
                        break;
                    case ColourBoundAttribute:
                        checks.Colour(name, value as string);
                        break;
                    default:
                        break;
                }

                checks.Enforce();
            };
        }

        return IsBody(parameter.ParameterType) && Of(parameter.ParameterType).Any ? value =>
        {
            if (value is not null)
            {
                Enforce(value);
            }
        }
        : null;
    }

    private static bool IsFigure(Type type) => (Nullable.GetUnderlyingType(type) ?? type) is { IsPrimitive: true };

    // Records of ours: what is sent, and what of Core it is made of.
    private static bool IsBody(Type type) => type.Namespace?.StartsWith("Lowfell.", StringComparison.Ordinal) == true && type.GetMethod("<Clone>$") is not null;

    private static Type? Inner(Type type) => IsBody(type) ? type
        : type is { IsGenericType: true } && typeof(IEnumerable).IsAssignableFrom(type) && type.GetGenericArguments() is [var element] && IsBody(element) ? element
        : null;

    private static Func<object, T> Getter<T>(PropertyInfo property)
    {
        var body = Expression.Parameter(typeof(object));
        Expression value = Expression.Property(Expression.Convert(body, property.DeclaringType!), property);
        return Expression.Lambda<Func<object, T>>(Expression.Convert(value, typeof(T)), body).Compile();
    }

    private static Func<object, IReadOnlyList<double>?> Row(PropertyInfo property)
    {
        var get = Getter<object?>(property);
        return body => get(body) switch
        {
            IReadOnlyList<double> figures => figures,
            IReadOnlyList<int> counts => [.. counts.Select(c => (double)c)],
            _ => null,
        };
    }

    private static bool HoldsText(string? text, LengthBoundAttribute? length) => length is null ? text is null || Srgb.TryParse(text, out _) : Checks.IsOfLength(text, length);

    private bool Holds(object body)
    {
        foreach (var (_, get, bound) in figures)
        {
            if (get(body) is { } value && !bound.Holds(value))
            {
                return false;
            }
        }

        foreach (var (_, get, bound) in rows)
        {
            foreach (var value in get(body) ?? [])
            {
                if (!bound.Holds(value))
                {
                    return false;
                }
            }
        }

        foreach (var (_, get, length) in texts)
        {
            if (!HoldsText(get(body), length))
            {
                return false;
            }
        }

        foreach (var (_, get, length) in lists)
        {
            if (get(body) is ICollection list && (list.Count < length.Least || list.Count > length.Most))
            {
                return false;
            }
        }

        foreach (var (_, get, of) in within)
        {
            switch (get(body))
            {
                case IList list:
                    for (var i = 0; i < list.Count; i++)
                    {
                        if (list[i] is { } item && !of.Holds(item))
                        {
                            return false;
                        }
                    }

                    break;
                case { } item when !of.Holds(item):
                    return false;
                default:
                    break;
            }
        }

        return true;
    }

    private void Note(object body, string at, Checks checks)
    {
        foreach (var (name, get, bound) in figures)
        {
            if (get(body) is { } value)
            {
                checks.Figure(at + name, value, bound);
            }
        }

        foreach (var (name, get, bound) in rows)
        {
            foreach (var value in (get(body) ?? []).Where(v => !bound.Holds(v)))
            {
                checks.Figure(at + name, value, bound);
            }
        }

        foreach (var (name, get, length) in texts)
        {
            if (length is null)
            {
                checks.Colour(at + name, get(body));
            }
            else
            {
                checks.Length(at + name, get(body), length);
            }
        }

        foreach (var (name, get, length) in lists)
        {
            checks.Count(at + name, (get(body) as ICollection)?.Count, length);
        }

        foreach (var (name, get, of) in within)
        {
            switch (get(body))
            {
                // A list that is too long is told of as a whole.
                case IList list when !checks.Faults.ContainsKey(at + name):
                    for (var i = 0; i < list.Count; i++)
                    {
                        if (list[i] is { } item)
                        {
                            of.Note(item, $"{at}{name}[{i}].", checks);
                        }
                    }

                    break;
                case { } item and not IList:
                    of.Note(item, $"{at}{name}.", checks);
                    break;
                default:
                    break;
            }
        }
    }
}
