using System.Reflection;
using Mono.Cecil;
using Mono.Cecil.Cil;

namespace Lowfell.Tests;

/// <summary>Which type uses which, read from a built assembly: signatures, attributes and bodies, lambdas and iterators with their owners.</summary>
internal static class Arrows
{
    /// <summary>Every pair of types of one assembly where the first uses the second; by their outermost types.</summary>
    public static IEnumerable<(TypeDefinition From, TypeDefinition To)> Of(Assembly assembly)
    {
        using var module = ModuleDefinition.ReadModule(assembly.Location);
        var seen = new HashSet<(TypeDefinition, TypeDefinition)>();
        foreach (var type in module.GetTypes())
        {
            foreach (var used in Used(type).SelectMany(Parts).Select(r => r.Resolve()).Where(r => r is not null && r.Module == module))
            {
                var pair = (Outermost(type), Outermost(used));
                if (pair.Item1 != pair.Item2 && seen.Add(pair))
                {
                    yield return pair;
                }
            }
        }
    }

    /// <summary>The last part of its namespace below a root: "Rules.Order" of Lowfell.Core.Rules.Order.</summary>
    public static string Room(this TypeDefinition type, string root) => type.Namespace.StartsWith(root + ".", StringComparison.Ordinal) ? type.Namespace[(root.Length + 1)..] : "";

    /// <summary>Folders of an assembly that use each other in a circle, each circle in words.</summary>
    public static IReadOnlyList<string> Circles(Assembly assembly, string root)
    {
        var uses = Of(assembly).Select(a => (From: a.From.Room(root), To: a.To.Room(root))).Where(a => a.From != a.To && a.From != "" && a.To != "").Distinct().ToLookup(a => a.From, a => a.To);
        var circles = new List<string>();
        void Follow(string room, IReadOnlyList<string> way)
        {
            foreach (var next in uses[room])
            {
                if (next == way[0])
                {
                    circles.Add(string.Join(" -> ", [.. way, next]));
                }
                else if (string.CompareOrdinal(next, way[0]) > 0 && !way.Contains(next))
                {
                    Follow(next, [.. way, next]);
                }
            }
        }

        foreach (var room in uses.Select(u => u.Key).ToList())
        {
            Follow(room, [room]);
        }

        return circles;
    }

    private static TypeDefinition Outermost(TypeDefinition type) => type.DeclaringType is { } outer ? Outermost(outer) : type;

    private static IEnumerable<TypeReference?> Used(TypeDefinition type)
    {
        IEnumerable<TypeReference?> own = [type.BaseType, .. type.Interfaces.Select(i => i.InterfaceType), .. type.Fields.Select(f => f.FieldType), .. type.CustomAttributes.Select(a => a.AttributeType)];
        return own.Concat(type.Methods.SelectMany(Used));
    }

    private static IEnumerable<TypeReference?> Used(MethodDefinition method)
    {
        yield return method.ReturnType;
        foreach (var parameter in method.Parameters)
        {
            yield return parameter.ParameterType;
        }

        if (!method.HasBody)
        {
            yield break;
        }

        foreach (var variable in method.Body.Variables)
        {
            yield return variable.VariableType;
        }

        foreach (var used in method.Body.Instructions.SelectMany(Used))
        {
            yield return used;
        }
    }

    private static IEnumerable<TypeReference?> Used(Instruction instruction) => instruction.Operand switch
    {
        TypeReference type => [type],
        FieldReference field => [field.DeclaringType, field.FieldType],
        GenericInstanceMethod method => [method.DeclaringType, method.ReturnType, .. method.GenericArguments],
        MethodReference method => [method.DeclaringType, method.ReturnType, .. method.Parameters.Select(p => p.ParameterType)],
        _ => [],
    };

    private static IEnumerable<TypeReference> Parts(TypeReference? type) => type switch
    {
        null or GenericParameter => [],
        GenericInstanceType generic => [generic.ElementType, .. generic.GenericArguments.SelectMany(Parts)],
        TypeSpecification inner => Parts(inner.ElementType),
        _ => [type],
    };
}
