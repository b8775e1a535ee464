using System.Diagnostics;

namespace Lowfell.Drill;

/// <summary>nginx before two hosts: one that does not answer is left out, and what it was asked is asked of the other.</summary>
internal sealed class Proxy : IDisposable
{
    private readonly Process process;

    public Proxy(Place place, int one, int two)
    {
        var (port, folder) = (Place.FreePort(), Path.Combine(place.Folder, "nginx"));
        Directory.CreateDirectory(folder);
        Address = new($"http://127.0.0.1:{port}");
        var file = Path.Combine(folder, "nginx.conf");

        // A tap may be asked of the other host too: it has an id, and is written once.
        File.WriteAllText(file, $$"""
            {{(Environment.UserName == "root" ? "user root;" : "")}}
            daemon off;
            pid {{folder}}/nginx.pid;
            error_log {{folder}}/error.log;
            events {}
            http {
              access_log off;
              client_body_temp_path {{folder}}/body;
              proxy_temp_path {{folder}}/proxy;
              fastcgi_temp_path {{folder}}/fastcgi;
              uwsgi_temp_path {{folder}}/uwsgi;
              scgi_temp_path {{folder}}/scgi;
              upstream lowfell {
                server 127.0.0.1:{{one}} max_fails=1 fail_timeout=1s;
                server 127.0.0.1:{{two}} max_fails=1 fail_timeout=1s;
              }
              server {
                listen 127.0.0.1:{{port}};
                location / {
                  proxy_pass http://lowfell;
                  proxy_http_version 1.1;
                  proxy_set_header Connection "";
                  proxy_set_header Host $http_host;
                  proxy_buffering off;
                  proxy_connect_timeout 1s;
                  proxy_next_upstream error timeout http_503 non_idempotent;
                }
              }
            }
            """);
        process = Process.Start(new ProcessStartInfo("/usr/sbin/nginx", ["-c", file, "-e", Path.Combine(folder, "error.log")]))!;
    }

    /// <summary>Where it listens.</summary>
    public Uri Address { get; }

    /// <inheritdoc/>
    public void Dispose()
    {
        if (!process.HasExited)
        {
            using var ask = Process.Start("kill", ["-TERM", process.Id.ToString(System.Globalization.CultureInfo.InvariantCulture)]);
            ask.WaitForExit();
            process.WaitForExit(5_000);
        }

        process.Dispose();
    }
}
