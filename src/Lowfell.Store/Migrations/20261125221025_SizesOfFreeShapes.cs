using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class SizesOfFreeShapes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // A shape that has no width was kept with a width of 0, which is no width; nothing reads it.
            foreach (var (size, usual) in new[] { ("LengthMm", 100), ("WidthMm", 50), ("HeightMm", 50) })
            {
                migrationBuilder.Sql($"""UPDATE pieces SET "{size}" = {usual} WHERE "{size}" < 0.1""");
            }
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {

        }
    }
}
