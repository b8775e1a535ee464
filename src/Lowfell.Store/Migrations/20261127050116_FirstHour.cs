using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class FirstHour : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "HoldsDemo",
                table: "benches",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Tools",
                table: "benches",
                type: "jsonb",
                nullable: true);

            // Benches that the demo was loaded into before there was a word for it.
            migrationBuilder.Sql("""UPDATE benches SET "HoldsDemo" = true WHERE "Name" = 'Brinegate Saltworks';""");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "HoldsDemo",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "Tools",
                table: "benches");
        }
    }
}
