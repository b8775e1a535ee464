using System.Buffers.Binary;
using System.Numerics;
using System.Runtime.InteropServices;
using System.Text.Json;

namespace Lowfell.Core.Meshes.Screen;

/// <summary>Binary glTF 2.0 (Khronos) of a surface as it is drawn, quantised (KHR_mesh_quantization).</summary>
/// <remarks>Fields travel as attributes of their own, _FIELDS and _EXTRAS; painted colours, where they are told, as COLOR_0 in linear light. Units of the format are metres, so the node is scaled by a thousandth; z is up, so it is turned.</remarks>
public static class Glb
{
    private const uint Magic = 0x46546C67, JsonChunk = 0x4E4F534A, BinChunk = 0x004E4942;
    private const int Vertices = 34962, Elements = 34963, Int8 = 5120, UInt8 = 5121, UInt16 = 5123, UInt32 = 5125;

    // Half a turn of a quarter about x, so that z comes to be y.
    private static readonly float[] Upright = [-0.70710678f, 0, 0, 0.70710678f];

    /// <summary>Writes one.</summary>
    /// <param name="mesh">The surface.</param>
    /// <param name="colours">Three for each vertex in linear light, 0..1; null where it is not painted.</param>
    public static byte[] Write(ShownMesh mesh, IReadOnlyList<Vector3>? colours = null)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        using var bin = new MemoryStream();
        var views = new List<object>();
        var accessors = new List<object>();
        int Add(ReadOnlySpan<byte> bytes, int stride, int target, int component, string type, int count, bool normalized, (int[] Min, int[] Max)? range = null)
        {
            while (bin.Length % 4 != 0)
            {
                bin.WriteByte(0);
            }

            var view = new Dictionary<string, object> { ["buffer"] = 0, ["byteOffset"] = bin.Length, ["byteLength"] = bytes.Length, ["target"] = target };
            if (stride > 0)
            {
                view["byteStride"] = stride;
            }

            bin.Write(bytes);
            views.Add(view);
            var accessor = new Dictionary<string, object> { ["bufferView"] = views.Count - 1, ["componentType"] = component, ["count"] = count, ["type"] = type };
            if (normalized)
            {
                accessor["normalized"] = true;
            }

            if (range is { } r)
            {
                (accessor["min"], accessor["max"]) = (r.Min, r.Max);
            }

            accessors.Add(accessor);
            return accessors.Count - 1;
        }

        var vertices = mesh.Vertices;
        var (least, most) = (new[] { 65535, 65535, 65535 }, new int[3]);
        for (var i = 0; i < vertices; i++)
        {
            for (var k = 0; k < 3; k++)
            {
                (least[k], most[k]) = (Math.Min(least[k], mesh.Places[(4 * i) + k]), Math.Max(most[k], mesh.Places[(4 * i) + k]));
            }
        }

        var attributes = new Dictionary<string, int>
        {
            ["POSITION"] = Add(MemoryMarshal.AsBytes(mesh.Places.AsSpan()), 8, Vertices, UInt16, "VEC3", vertices, true, (least, most)),
            ["NORMAL"] = Add(MemoryMarshal.AsBytes(mesh.Normals.AsSpan()), 4, Vertices, Int8, "VEC3", vertices, true),
            ["_FIELDS"] = Add(mesh.Fields, 4, Vertices, UInt8, "VEC4", vertices, true),
            ["_EXTRAS"] = Add(mesh.Extras, 4, Vertices, UInt8, "VEC4", vertices, true),
        };
        if (colours is not null)
        {
            var painted = new ushort[4 * vertices];
            for (var i = 0; i < vertices; i++)
            {
                static ushort Of(float c) => (ushort)MathF.Round(Math.Clamp(c, 0, 1) * 65535);
                (painted[4 * i], painted[(4 * i) + 1], painted[(4 * i) + 2], painted[(4 * i) + 3]) = (Of(colours[i].X), Of(colours[i].Y), Of(colours[i].Z), ushort.MaxValue);
            }

            attributes["COLOR_0"] = Add(MemoryMarshal.AsBytes(painted.AsSpan()), 8, Vertices, UInt16, "VEC4", vertices, true);
        }

        var small = vertices <= ushort.MaxValue;
        var indices = small
            ? Add(MemoryMarshal.AsBytes(mesh.Corners.Select(c => (ushort)c).ToArray().AsSpan()), 0, Elements, UInt16, "SCALAR", mesh.Corners.Length, false)
            : Add(MemoryMarshal.AsBytes(mesh.Corners.AsSpan()), 0, Elements, UInt32, "SCALAR", mesh.Corners.Length, false);
        while (bin.Length % 4 != 0)
        {
            bin.WriteByte(0);
        }

        const float Metre = 0.001f;
        var json = JsonSerializer.SerializeToUtf8Bytes(new Dictionary<string, object>
        {
            ["asset"] = new { version = "2.0", generator = "Lowfell" },
            ["extensionsUsed"] = new[] { "KHR_mesh_quantization" },
            ["extensionsRequired"] = new[] { "KHR_mesh_quantization" },
            ["scene"] = 0,
            ["scenes"] = new[] { new { nodes = new[] { 0 } } },
            ["nodes"] = new object[]
            {
                new { rotation = Upright, children = new[] { 1 } },
                new { mesh = 0, scale = new[] { mesh.ExtentMm * Metre, mesh.ExtentMm * Metre, mesh.ExtentMm * Metre }, translation = new[] { mesh.Low.X * Metre, mesh.Low.Y * Metre, mesh.Low.Z * Metre } },
            },
            ["materials"] = new[] { new { pbrMetallicRoughness = new { metallicFactor = 0, roughnessFactor = 0.9 } } },
            ["meshes"] = new[] { new { primitives = new[] { new { attributes, indices, material = 0 } } } },
            ["accessors"] = accessors,
            ["bufferViews"] = views,
            ["buffers"] = new[] { new { byteLength = bin.Length } },
        });
        var padded = (json.Length + 3) / 4 * 4;
        var all = new byte[12 + 8 + padded + 8 + (int)bin.Length];
        void Number(int at, uint value) => BinaryPrimitives.WriteUInt32LittleEndian(all.AsSpan(at), value);
        Number(0, Magic);
        Number(4, 2);
        Number(8, (uint)all.Length);
        Number(12, (uint)padded);
        Number(16, JsonChunk);
        json.CopyTo(all, 20);
        all.AsSpan(20 + json.Length, padded - json.Length).Fill((byte)' ');
        Number(20 + padded, (uint)bin.Length);
        Number(24 + padded, BinChunk);
        bin.GetBuffer().AsSpan(0, (int)bin.Length).CopyTo(all.AsSpan(28 + padded));
        return all;
    }

    /// <summary>Reads one that <see cref="Write"/> wrote.</summary>
    /// <exception cref="InvalidDataException">It is none.</exception>
    public static ShownMesh Read(ReadOnlySpan<byte> glb)
    {
        if (glb.Length < 28 || BinaryPrimitives.ReadUInt32LittleEndian(glb) != Magic)
        {
            throw new InvalidDataException("This is no binary glTF.");
        }

        var text = (int)BinaryPrimitives.ReadUInt32LittleEndian(glb[12..]);
        using var json = JsonDocument.Parse(glb.Slice(20, text).ToArray());
        var bin = glb[(28 + text)..].ToArray();
        var root = json.RootElement;
        var primitive = root.GetProperty("meshes")[0].GetProperty("primitives")[0];
        ReadOnlySpan<byte> View(int accessor)
        {
            var view = root.GetProperty("bufferViews")[root.GetProperty("accessors")[accessor].GetProperty("bufferView").GetInt32()];
            return bin.AsSpan(view.GetProperty("byteOffset").GetInt32(), view.GetProperty("byteLength").GetInt32());
        }

        int Of(string attribute) => primitive.GetProperty("attributes").GetProperty(attribute).GetInt32();
        var indices = primitive.GetProperty("indices").GetInt32();
        int[] corners = root.GetProperty("accessors")[indices].GetProperty("componentType").GetInt32() == UInt16
            ? [.. MemoryMarshal.Cast<byte, ushort>(View(indices)).ToArray().Select(i => (int)i)]
            : MemoryMarshal.Cast<byte, int>(View(indices)).ToArray();
        var node = root.GetProperty("nodes")[1];
        float At(string name, int k) => node.GetProperty(name)[k].GetSingle() * 1000;
        return new(
            new(At("translation", 0), At("translation", 1), At("translation", 2)), At("scale", 0), MemoryMarshal.Cast<byte, ushort>(View(Of("POSITION"))).ToArray(),
            MemoryMarshal.Cast<byte, sbyte>(View(Of("NORMAL"))).ToArray(), View(Of("_FIELDS")).ToArray(), View(Of("_EXTRAS")).ToArray(), corners);
    }
}
