using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Lowfell.Web.Api;

/// <summary>Refuses a null in a list whose elements must be there, which the serializer itself lets through.</summary>
internal static class NoNullsInLists
{
    /// <summary>Looks after every object that is read.</summary>
    public static void Look(JsonTypeInfo info)
    {
        if (info.Kind != JsonTypeInfoKind.Object)
        {
            return;
        }

        var nullable = new NullabilityInfoContext();
        var lists = info.Type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
            .Where(p => p.GetIndexParameters().Length == 0 && p.PropertyType.IsGenericType && typeof(IEnumerable).IsAssignableFrom(p.PropertyType) && p.PropertyType.GetGenericArguments() is [{ IsValueType: false }])
            .Where(p => nullable.Create(p).GenericTypeArguments is [{ ReadState: NullabilityState.NotNull }])
            .Select(p => (Name: JsonNamingPolicy.CamelCase.ConvertName(p.Name), Property: p)).ToArray();
        if (lists.Length == 0)
        {
            return;
        }

        info.OnDeserialized += read =>
        {
            foreach (var (name, property) in lists)
            {
                if (property.GetValue(read) is IList list && IndexOfNull(list) is >= 0 and var at)
                {
                    throw new JsonException("Nothing stands here, and something must.", $"$.{name}[{at}]", null, null);
                }
            }
        };
    }

    private static int IndexOfNull(IList list)
    {
        for (var i = 0; i < list.Count; i++)
        {
            if (list[i] is null)
            {
                return i;
            }
        }

        return -1;
    }
}
