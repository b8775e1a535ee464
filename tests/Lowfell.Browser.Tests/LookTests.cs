using System.Collections.ObjectModel;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Core.Colour;
using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>The look of a piece: its pixels against the prediction, its keys, and what there is without it.</summary>
public sealed class LookTests(DemoSession session) : IClassFixture<DemoSession>
{
    private const int Width = 350, Height = 250;

    // Decodes the table, and draws it or one with other colours; heights are columns of five facings each.
    private const string Help = """
        window.help = {
          half: h => { const s = h >> 15 ? -1 : 1, e = (h >> 10) & 31, f = h & 1023; return e === 0 ? s * f * 2 ** -24 : s * (1 + f / 1024) * 2 ** (e - 15); },
          halves: l => new Uint16Array(Uint8Array.from(atob(l.table), c => c.charCodeAt(0)).buffer),
          coded: (l, of) => {
            const h = help.halves(l).slice(), one = 0x3C00;
            for (let i = 0; i < h.length / 4; i++) { const c = of(i % 16); for (let k = 0; k < 3; k++) h[4 * i + k] = c[k] ? one : 0; }
            return help.write(l, h);
          },
          write: (l, h) => { let s = ''; for (const b of new Uint8Array(h.buffer)) s += String.fromCharCode(b); return { ...l, table: btoa(s) }; },
          // The colours of what looks sideways everywhere: what is hollow is sheltered too.
          level: l => { const all = help.halves(l), h = all.slice(); for (let i = 0; i < h.length / 4; i++) { const c = i % 16, from = i - c + Math.floor(c / 5) * 5 + 2; if (c < 15) for (let k = 0; k < 3; k++) h[4 * i + k] = all[4 * from + k]; } return help.write(l, h); },
          view: { turnDeg: -32, liftDeg: 24, near: 1 }, near: { turnDeg: -32, liftDeg: 24, near: 5 },
          shown: (l, coats, more) => ({ coats: l.zones.map(z => Math.min(coats, z.coats.length)), wet: false, lit: -1, plain: true, distanceMm: 0, ...more }),
          // What the host draws of this piece, as its pixels: asked for until it has been made, as the page does.
          drawn: async (w, h) => {
            const url = location.pathname.replace('/piece/', '/api/pieces/').replace('/look', '/picture.png') + '?w=' + w + '&h=' + h;
            for (;;) {
              const answer = await fetch(url);
              if (answer.status === 202) { await answer.blob(); await new Promise(go => setTimeout(go, 250)); continue; }
              if (answer.status !== 200) throw new Error('The host drew none: ' + answer.status + ' ' + await answer.text());
              const c = document.createElement('canvas'); c.width = w; c.height = h; const x = c.getContext('2d');
              x.drawImage(await createImageBitmap(await answer.blob()), 0, 0);
              return x.getImageData(0, 0, w, h).data;
            }
          },
          pixels: () => { const all = lowfellLook.renderer.pixels(), out = []; for (let i = 0; i < all.length / 4; i++) if (all[4 * i + 3] === 255) out.push([i, all[4 * i], all[4 * i + 1], all[4 * i + 2]]); return out; },
        };
        """;

    private readonly Browser browser = session.Browser;

    private async Task OpenAsync(string name)
    {
        using var http = new HttpClient { BaseAddress = new Uri(session.App.Address) };
        var sets = await http.GetFromJsonAsync<JsonArray>("/api/sets", TestContext.Current.CancellationToken);
        var piece = sets!.SelectMany(s => s!["pieces"]!.AsArray()).Single(p => (string)p!["piece"]!["name"]! == name)!;

        // A smaller picture: without graphics each point of it takes its time.
        browser.Resize(1000, 640);
        browser.Open($"/piece/{piece["id"]}/look");
        browser.UntilTrue(() => (bool)browser.Run("return Boolean(window.lowfellLook && document.querySelector('[data-testid=look]'))")!, "the piece drawn");
        browser.UntilTrue(() => Number("return lowfellLook.renderer.held().geometries") >= 1, "its surface");
        browser.Run(Help);
    }

    /// <summary>What the page has found of the host's picture and its own, once there are both.</summary>
    private double[] Compared()
    {
        browser.UntilTrue(() => browser.Run("return window.compared") is not null, "both pictures");
        var found = browser.Run("return window.compared");
        Assert.False(found is string, $"{found}");
        return [.. ((ReadOnlyCollection<object>)found!).Select(n => Convert.ToDouble(n, CultureInfo.InvariantCulture))];
    }

    private double Number(string script) => Convert.ToDouble(browser.Run(script), CultureInfo.InvariantCulture);

    [Fact]
    public async Task Each_pixel_is_the_predicted_colour_of_recess_face_or_edge_after_every_coat_in_every_light()
    {
        await OpenAsync("Straight");
        foreach (var lamp in new[] { "daylight", "neutral", "warm" })
        {
            var found = (ReadOnlyCollection<object>)browser.Run($$"""
                const http = new XMLHttpRequest();
                do { http.open('GET', location.pathname.replace('/piece/', '/api/pieces/') + '?lamp={{lamp}}', false); http.send(); } while (http.status === 202);
                const look = JSON.parse(http.responseText), n = 12, out = [];
                // Which pixels show one height of one facing alone: they are coloured by it.
                for (const [height, facing, level] of [[0, 2, true], [1, 2, true], [2, 2, true], [1, 2, false], [1, 0, false]]) {
                  lowfellLook.renderer.dye(help.coded(look, c => (level ? Math.floor(c / 5) === height : c === height * 5 + facing) ? [1, 1, 1] : [0, 0, 0]));
                  lowfellLook.draw(help.near, help.shown(look, 2), {{Width}}, {{Height}});
                  const sure = help.pixels().filter(p => p[1] >= 254);
                  const zones = look.zones.map((z, i) => { const levels = z.levelsMm.length; return { i, z, levels }; });
                  lowfellLook.renderer.dye(level ? help.level(look) : look);
                  const table = help.halves(look);
                  for (let coats = 0; coats <= n; coats += 3) {
                    lowfellLook.draw(help.near, help.shown(look, coats), {{Width}}, {{Height}});
                    const all = lowfellLook.renderer.pixels();
                    for (let s = 0; s < sure.length; s += Math.max(1, Math.floor(sure.length / 6))) {
                      const at4 = 4 * sure[s][0], p = [...all.slice(at4, at4 + 3)];
                      // The zone it is of: the one whose colour is nearest.
                      const wanted = zones.filter(z => z.levels === 1).map(({ z }) => { const row = z.first + Math.min(coats, z.coats.length) * 2; const at = (row * 16 + height * 5 + facing) * 4; return [0, 1, 2].map(k => help.half(table[at + k])); });
                      out.push([height, ...p.slice(0, 3), ...wanted.flat()].join(' '));
                    }
                  }
                }
                return out;
                """)!;
            var looked = found.Cast<string>().Select(f => f.Split(' ').Select(x => double.Parse(x, CultureInfo.InvariantCulture)).ToArray()).ToList();
            Assert.All([0, 1, 2], height => Assert.Contains(looked, f => (int)f[0] == height));
            Assert.All(looked, f =>
            {
                var seen = new Srgb((byte)f[1], (byte)f[2], (byte)f[3]).ToLab();
                var off = f[4..].Chunk(3).Min(w => ColourDifference.Ciede2000(new LinearRgb(w[0], w[1], w[2]).ToLab(), seen));
                Assert.True(off < 3, $"{off:0.0} dE00 off at height {f[0]}");
            });
        }
    }

    [Fact]
    public async Task Weights_are_a_partition_and_scrubbing_uploads_nothing()
    {
        await OpenAsync("Straight");
        var off = (ReadOnlyCollection<object>)browser.Run($$"""
            const look = lowfellLook.look();
            lowfellLook.renderer.dye(help.coded(look, c => c < 15 ? [c < 5, c >= 5 && c < 10, c >= 10] : [0, 0, 0]));
            lowfellLook.draw(help.near, help.shown(look, 2), {{Width}}, {{Height}});
            const lin = v => { v /= 255; return v <= .04045 ? v / 12.92 : ((v + .055) / 1.055) ** 2.4; };
            const all = help.pixels();
            const worst = Math.max(...all.map(p => Math.abs(lin(p[1]) + lin(p[2]) + lin(p[3]) - 1)));
            const pure = [1, 2, 3].map(k => all.filter(p => p[k] > 250).length);
            lowfellLook.renderer.dye(look);
            lowfellLook.draw(help.view, help.shown(look, 1), {{Width}}, {{Height}});
            const before = JSON.stringify(lowfellLook.renderer.held());
            let uploads = 0; const gl = WebGL2RenderingContext.prototype, kept = {};
            for (const name of ['bufferData', 'bufferSubData', 'texImage2D', 'texSubImage2D', 'texStorage2D']) { kept[name] = gl[name]; gl[name] = function () { uploads++; return kept[name].apply(this, arguments); }; }
            for (let coats = 0; coats <= 8; coats += .25) lowfellLook.draw(help.view, help.shown(look, coats), {{Width}}, {{Height}});
            Object.assign(gl, kept);
            return [worst, ...pure, uploads, before === JSON.stringify(lowfellLook.renderer.held()) ? 0 : 1];
            """)!;
        var n = off.Select(o => Convert.ToDouble(o, CultureInfo.InvariantCulture)).ToList();
        Assert.True(n[0] < 0.02, $"weights are {n[0]} off one");
        Assert.All(n[1..4], pure => Assert.True(pure > 0, "no pixel shows one height alone"));
        Assert.Equal((0, 0), (n[4], n[5]));
    }

    [Fact]
    public async Task The_host_draws_what_the_browser_draws()
    {
        await OpenAsync("Straight");
        browser.Run($$"""
            window.compared = undefined; const look = lowfellLook.look();
            help.drawn(360, 240).then(host => {
              lowfellLook.renderer.size(360, 240, 2); lowfellLook.renderer.draw(help.view, { ...help.shown(look, 99), plain: false });
              let sum = 0, count = 0; const mine = lowfellLook.renderer.pixels();
              for (let y = 0; y < 240; y += 2) for (let i = 0; i < 360; i += 2) { const a = 4 * (y * 360 + i), p = mine.slice(4 * ((239 - y) * 360 + i), 4 * ((239 - y) * 360 + i) + 4);
                if (host[a + 3] === 255 && p[3] === 255) { count++; for (let k = 0; k < 3; k++) sum += Math.abs(host[a + k] - p[k]) / 3; } }
              window.compared = [sum / count, count];
            }).catch(e => { window.compared = String(e); });
            """);
        var said = Compared();
        var (off, count) = (said[0], said[1]);
        Assert.True(count > 2000, $"{count} points to compare");
        Assert.True(off < 4, $"{off} of 255 apart");
    }

    [Fact]
    public async Task Single_marks_lie_where_the_host_draws_them()
    {
        await OpenAsync("Sluice");
        browser.Run($$"""
            window.compared = undefined; const look = lowfellLook.look(), w = 480, h = 320;
            const drawn = l => { lowfellLook.renderer.dye(l); lowfellLook.renderer.size(w, h, 2); lowfellLook.renderer.draw(help.view, { ...help.shown(look, 99), plain: false }); return lowfellLook.renderer.pixels(); };
            help.drawn(w, h).then(host => {
              const bare = drawn({ ...look, marks: [] }), all = drawn(look);
              let withThem = 0, without = 0, count = 0;
              for (let i = 0; i < w * h; i++) { const a = 4 * ((h - 1 - Math.floor(i / w)) * w + i % w);
                const off = p => Math.abs(host[a] - p[4 * i]) + Math.abs(host[a + 1] - p[4 * i + 1]) + Math.abs(host[a + 2] - p[4 * i + 2]);
                if (all[4 * i + 3] === 255 && host[a + 3] === 255 && Math.abs(all[4 * i] - bare[4 * i]) + Math.abs(all[4 * i + 1] - bare[4 * i + 1]) > 24) { count++; withThem += off(all); without += off(bare); } }
              window.compared = [count, withThem / count, without / count, look.marks.length];
            }).catch(e => { window.compared = String(e); });
            """);
        var said = Compared();
        var told = string.Join(' ', said.Select(n => n.ToString("0.0", CultureInfo.InvariantCulture)));
        Assert.True(said[3] > 50 && said[0] > 100, told);
        Assert.True(said[1] < 0.5 * said[2], told);
    }

    [Fact]
    public async Task Another_paint_and_another_copy_are_laid_beside_it_and_turned_with_it()
    {
        await OpenAsync("Straight");
        void Choose(string label, string option)
        {
            browser.Click(label);
            browser.UntilTrue(() => browser.All("[role=option]").Any(o => o.Text.Contains(option, StringComparison.Ordinal)), option);
            browser.All("[role=option]").First(o => o.Text.Contains(option, StringComparison.Ordinal)).Click();
        }

        using var http = new HttpClient { BaseAddress = new Uri(session.App.Address) };
        var address = new Uri(browser.Path.Replace("/piece/", "/api/pieces/", StringComparison.Ordinal), UriKind.Relative);
        var kept = await http.GetStringAsync(address, TestContext.Current.CancellationToken);
        string Picture(int which) => (string)browser.Run($"return document.querySelectorAll('[data-testid=look]')[{which}]?.toDataURL().slice(-3000) ?? ''")!;
        Choose("Beside it", "another copy");
        browser.UntilTrue(() => browser.All("[data-testid=look]").Count == 2, "two pictures");
        browser.UntilTrue(() => Picture(1).Length > 100 && Picture(0) != Picture(1), "the other copy");
        var before = Picture(1);
        browser.Run("document.querySelector('[data-testid=look]').focus()");
        browser.Press(Keys.ArrowRight);
        browser.UntilTrue(() => Picture(1) != before, "both turned");
        Choose("Coats of", "Stone courses");
        Choose("Beside it", "another paint or hand");
        browser.UntilTrue(() => browser.Find("section[aria-label=Look]").Text.Contains("done differently", StringComparison.Ordinal), "what stands beside it");
        before = Picture(1);
        browser.Run("document.querySelector('[aria-label=\"Hand, lighter to heavier\"]').focus()");
        browser.Press(Keys.End);
        browser.UntilTrue(() => browser.Find("[aria-label='Hand, lighter to heavier']").GetDomAttribute("aria-valuetext")!.StartsWith("200", StringComparison.Ordinal), "a heavy hand");

        // It looks otherwise beside it, and nothing of it is kept.
        browser.UntilTrue(() => Picture(1).Length > 100 && Picture(1) != Picture(0), "the heavy hand beside it");
        Assert.Equal(kept, await http.GetStringAsync(address, TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task It_is_gone_through_and_turned_by_keys_alone()
    {
        await OpenAsync("Hull");
        string Moment() => browser.Find("[data-testid=moment]").Text;
        var first = Moment();
        browser.Run("document.querySelector('[aria-label=\"Coats laid\"]').focus()");
        browser.Press(Keys.ArrowLeft);
        browser.UntilTrue(() => Moment() != first, "one coat less");
        browser.Press(Keys.ArrowRight);
        browser.UntilTrue(() => Moment() == first, "all coats again");
        browser.Run("document.querySelector('[data-testid=look]').focus()");
        string Picture() => (string)browser.Run("return document.querySelector('[data-testid=look]').toDataURL().slice(-4000)")!;
        var before = Picture();
        browser.Press(Keys.ArrowRight);
        browser.UntilTrue(() => Picture() != before, "it turned");
        Assert.Contains("daylight", (string)browser.Run("return document.querySelector('[data-testid=look]').getAttribute('aria-label')")!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_its_graphics_the_host_draws_it()
    {
        await OpenAsync("Shallow pan");
        browser.Run("document.querySelector('[data-testid=look]').dispatchEvent(new Event('webglcontextlost', { cancelable: true }))");
        browser.UntilTrue(() => (bool)browser.Run("const i = document.querySelector('section[aria-label=Look] img'); return Boolean(i && i.complete && i.naturalWidth > 100)")!, "the host's picture");
        var src = browser.Find("section[aria-label=Look] img").GetDomAttribute("src");
        browser.Click("Turn right");
        browser.UntilTrue(() => browser.Find("section[aria-label=Look] img").GetDomAttribute("src") != src, "it turned");
        browser.Click("Try again");
        browser.Find("[data-testid=look]");
    }

    [Fact]
    public async Task A_piece_without_zones_is_shown_bare_and_says_the_next_move()
    {
        using var http = new HttpClient { BaseAddress = new Uri(session.App.Address) };
        var cancel = TestContext.Current.CancellationToken;
        var set = await (await http.PostAsJsonAsync("/api/sets", new { name = "Bare things" }, cancel)).Content.ReadFromJsonAsync<JsonNode>(cancel);
        await http.PostAsJsonAsync($"/api/sets/{set!["id"]}/pieces", new { name = "Bare rock", kind = "", substrate = "polystyrene", shape = "box", lengthMm = 60, widthMm = 40, heightMm = 30, copies = 1 }, cancel);
        await OpenAsync("Bare rock");
        browser.UntilTrue(() => browser.Find("section[aria-label='Shown as']").Text.Contains("No zone yet", StringComparison.Ordinal), "the next move");
        var bare = Number("lowfellLook.draw(help.view, { coats: [], wet: false, lit: -1, plain: true, distanceMm: 0 }, 350, 250); const all = help.pixels(); return all.length > 3000 && all.every(p => Math.abs(p[1] - 149) < 3 && p[1] === p[3]) ? 1 : 0");
        Assert.Equal(1, bare);
        Assert.Empty(browser.Errors());
    }
}
