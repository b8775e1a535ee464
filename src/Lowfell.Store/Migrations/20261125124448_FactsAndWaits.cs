using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class FactsAndWaits : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Schools",
                table: "benches",
                type: "jsonb",
                nullable: false,
                defaultValueSql: "'{}'::jsonb");

            // The answers that were a column each.
            migrationBuilder.Sql(
                """
                UPDATE benches SET "Schools" = (
                    SELECT jsonb_object_agg(lower(left(key, 1)) || substr(key, 2), lower(left(value, 1)) || substr(value, 2))
                    FROM (VALUES ('PinWashVarnish', "PinWashVarnish"), ('Wash', "Wash"), ('Pigments', "Pigments"), ('WarmAir', "WarmAir"),
                        ('Shading', "Shading"), ('DryBrush', "DryBrush"), ('GritGlue', "GritGlue")) AS answers (key, value));
                """);

            migrationBuilder.DropColumn(
                name: "DryBrush",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "GritGlue",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "Pigments",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "PinWashVarnish",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "Shading",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "WarmAir",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "Wash",
                table: "benches");

            migrationBuilder.AddColumn<string>(
                name: "CrackColour",
                table: "zones",
                type: "character varying(7)",
                maxLength: 7,
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "HeightFromMm",
                table: "zones",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "HeightToMm",
                table: "zones",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LitEdges",
                table: "zones",
                type: "double precision",
                nullable: false,
                defaultValue: 1.0);

            migrationBuilder.AddColumn<string>(
                name: "Mates",
                table: "zones",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Rim",
                table: "zones",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "Unseen",
                table: "zones",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<double>(
                name: "Scale",
                table: "sets",
                type: "double precision",
                nullable: false,
                defaultValue: 56.0);

            migrationBuilder.AddColumn<double>(
                name: "ViewingMm",
                table: "sets",
                type: "double precision",
                nullable: false,
                defaultValue: 1000.0);

            migrationBuilder.AlterColumn<double>(
                name: "VolumeSolids",
                table: "materials",
                type: "double precision",
                nullable: true,
                oldClrType: typeof(double),
                oldType: "double precision");

            migrationBuilder.AlterColumn<double>(
                name: "UndertonePower",
                table: "materials",
                type: "double precision",
                nullable: true,
                oldClrType: typeof(double),
                oldType: "double precision");

            migrationBuilder.AlterColumn<string>(
                name: "Sheen",
                table: "materials",
                type: "character varying(40)",
                maxLength: 40,
                nullable: true,
                oldClrType: typeof(string),
                oldType: "character varying(40)",
                oldMaxLength: 40);

            migrationBuilder.AlterColumn<double>(
                name: "ReferenceFilmUm",
                table: "materials",
                type: "double precision",
                nullable: true,
                oldClrType: typeof(double),
                oldType: "double precision");

            migrationBuilder.AlterColumn<double>(
                name: "ContrastRatio",
                table: "materials",
                type: "double precision",
                nullable: true,
                oldClrType: typeof(double),
                oldType: "double precision");

            migrationBuilder.AddColumn<string>(
                name: "Notice",
                table: "log",
                type: "character varying(500)",
                maxLength: 500,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "FadeFullMm",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "FadeNoneMm",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Known",
                table: "coats",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "MarkCount",
                table: "coats",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "MarkLengthMm",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "MarkWidthMm",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "WaitMinutes",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "WhileWet",
                table: "coats",
                type: "boolean",
                nullable: false,
                defaultValue: false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "CrackColour",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "HeightFromMm",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "HeightToMm",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "LitEdges",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "Mates",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "Rim",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "Unseen",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "Scale",
                table: "sets");

            migrationBuilder.DropColumn(
                name: "ViewingMm",
                table: "sets");

            migrationBuilder.DropColumn(
                name: "Notice",
                table: "log");

            migrationBuilder.DropColumn(
                name: "FadeFullMm",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "FadeNoneMm",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "Known",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "MarkCount",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "MarkLengthMm",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "MarkWidthMm",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "WaitMinutes",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "WhileWet",
                table: "coats");

            migrationBuilder.AlterColumn<double>(
                name: "VolumeSolids",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0,
                oldClrType: typeof(double),
                oldType: "double precision",
                oldNullable: true);

            migrationBuilder.AlterColumn<double>(
                name: "UndertonePower",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0,
                oldClrType: typeof(double),
                oldType: "double precision",
                oldNullable: true);

            migrationBuilder.AlterColumn<string>(
                name: "Sheen",
                table: "materials",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "",
                oldClrType: typeof(string),
                oldType: "character varying(40)",
                oldMaxLength: 40,
                oldNullable: true);

            migrationBuilder.AlterColumn<double>(
                name: "ReferenceFilmUm",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0,
                oldClrType: typeof(double),
                oldType: "double precision",
                oldNullable: true);

            migrationBuilder.AlterColumn<double>(
                name: "ContrastRatio",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0,
                oldClrType: typeof(double),
                oldType: "double precision",
                oldNullable: true);

            migrationBuilder.AddColumn<string>(
                name: "DryBrush",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "GritGlue",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Pigments",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "PinWashVarnish",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Shading",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "WarmAir",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Wash",
                table: "benches",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.Sql(
                """
                UPDATE benches SET
                    "PinWashVarnish" = initcap(left("Schools"->>'pinWashVarnish', 1)) || substr("Schools"->>'pinWashVarnish', 2),
                    "Wash" = initcap(left("Schools"->>'wash', 1)) || substr("Schools"->>'wash', 2),
                    "Pigments" = initcap(left("Schools"->>'pigments', 1)) || substr("Schools"->>'pigments', 2),
                    "WarmAir" = initcap(left("Schools"->>'warmAir', 1)) || substr("Schools"->>'warmAir', 2),
                    "Shading" = initcap(left("Schools"->>'shading', 1)) || substr("Schools"->>'shading', 2),
                    "DryBrush" = initcap(left("Schools"->>'dryBrush', 1)) || substr("Schools"->>'dryBrush', 2),
                    "GritGlue" = initcap(left("Schools"->>'gritGlue', 1)) || substr("Schools"->>'gritGlue', 2);
                """);

            migrationBuilder.DropColumn(
                name: "Schools",
                table: "benches");
        }
    }
}
