using System;
using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "benches",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    IsDemo = table.Column<bool>(type: "boolean", nullable: false),
                    ShelfVersion = table.Column<long>(type: "bigint", nullable: false),
                    PinWashVarnish = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Wash = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Pigments = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    WarmAir = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Shading = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    DryBrush = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    GritGlue = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_benches", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "materials",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    House = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Family = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Colour = table.Column<string>(type: "character varying(7)", maxLength: 7, nullable: false),
                    ContrastRatio = table.Column<double>(type: "double precision", nullable: false),
                    ReferenceFilmUm = table.Column<double>(type: "double precision", nullable: false),
                    VolumeSolids = table.Column<double>(type: "double precision", nullable: false),
                    Sheen = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    UndertonePower = table.Column<double>(type: "double precision", nullable: false),
                    Effect = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    DropsPerMl = table.Column<double>(type: "double precision", nullable: true),
                    Drying = table.Column<double[]>(type: "double precision[]", nullable: true),
                    Resistance = table.Column<int[]>(type: "integer[]", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_materials", x => x.Id);
                    table.ForeignKey(
                        name: "FK_materials_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mixes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_mixes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_mixes_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "schemes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_schemes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_schemes_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sets",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_sets", x => x.Id);
                    table.ForeignKey(
                        name: "FK_sets_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mix_components",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    MixId = table.Column<Guid>(type: "uuid", nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    Amount = table.Column<double>(type: "double precision", nullable: false),
                    Unit = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    MaterialId = table.Column<Guid>(type: "uuid", nullable: true),
                    InnerMixId = table.Column<Guid>(type: "uuid", nullable: true),
                    Thinner = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_mix_components", x => x.Id);
                    table.ForeignKey(
                        name: "FK_mix_components_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_mix_components_materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_mix_components_mixes_InnerMixId",
                        column: x => x.InnerMixId,
                        principalTable: "mixes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_mix_components_mixes_MixId",
                        column: x => x.MixId,
                        principalTable: "mixes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "coats",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    SchemeId = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    Technique = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    MaterialId = table.Column<Guid>(type: "uuid", nullable: true),
                    MixId = table.Column<Guid>(type: "uuid", nullable: true),
                    MixedTo = table.Column<string>(type: "character varying(7)", maxLength: 7, nullable: true),
                    Passes = table.Column<int>(type: "integer", nullable: false),
                    PaintFraction = table.Column<double>(type: "double precision", nullable: false),
                    DilutionForm = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Thinner = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Hand = table.Column<double>(type: "double precision", nullable: false),
                    OwnDeposit = table.Column<double[]>(type: "double precision[]", nullable: true),
                    Hurried = table.Column<bool>(type: "boolean", nullable: false),
                    Optional = table.Column<bool>(type: "boolean", nullable: false),
                    Skipped = table.Column<bool>(type: "boolean", nullable: false),
                    Wait = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Note = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_coats", x => new { x.SchemeId, x.Id });
                    table.ForeignKey(
                        name: "FK_coats_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_coats_materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_coats_mixes_MixId",
                        column: x => x.MixId,
                        principalTable: "mixes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_coats_schemes_SchemeId",
                        column: x => x.SchemeId,
                        principalTable: "schemes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "pieces",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    SetId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Kind = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Substrate = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Shape = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    LengthMm = table.Column<double>(type: "double precision", nullable: false),
                    WidthMm = table.Column<double>(type: "double precision", nullable: false),
                    HeightMm = table.Column<double>(type: "double precision", nullable: false),
                    FreeAreaMm2 = table.Column<double>(type: "double precision", nullable: false),
                    Copies = table.Column<int>(type: "integer", nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_pieces", x => x.Id);
                    table.ForeignKey(
                        name: "FK_pieces_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_pieces_sets_SetId",
                        column: x => x.SetId,
                        principalTable: "sets",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "zones",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: false),
                    SchemeId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    AreaShare = table.Column<double>(type: "double precision", nullable: true),
                    OwnAreaMm2 = table.Column<double>(type: "double precision", nullable: true),
                    Relief = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Facing = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    SmallestDetailMm = table.Column<double>(type: "double precision", nullable: true),
                    Handled = table.Column<bool>(type: "boolean", nullable: false),
                    CutEdges = table.Column<bool>(type: "boolean", nullable: false),
                    Finish = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Target = table.Column<string>(type: "character varying(7)", maxLength: 7, nullable: true),
                    Tolerance = table.Column<double>(type: "double precision", nullable: false),
                    Neighbours = table.Column<List<Guid>>(type: "uuid[]", nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_zones", x => x.Id);
                    table.ForeignKey(
                        name: "FK_zones_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_zones_pieces_PieceId",
                        column: x => x.PieceId,
                        principalTable: "pieces",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_zones_schemes_SchemeId",
                        column: x => x.SchemeId,
                        principalTable: "schemes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateIndex(
                name: "IX_coats_BenchId",
                table: "coats",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_coats_MaterialId",
                table: "coats",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_coats_MixId",
                table: "coats",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_materials_BenchId_Name",
                table: "materials",
                columns: new[] { "BenchId", "Name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_BenchId",
                table: "mix_components",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_InnerMixId",
                table: "mix_components",
                column: "InnerMixId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_MaterialId",
                table: "mix_components",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_MixId",
                table: "mix_components",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_mixes_BenchId_Name",
                table: "mixes",
                columns: new[] { "BenchId", "Name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_pieces_BenchId",
                table: "pieces",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_pieces_SetId",
                table: "pieces",
                column: "SetId");

            migrationBuilder.CreateIndex(
                name: "IX_schemes_BenchId",
                table: "schemes",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_sets_BenchId",
                table: "sets",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_zones_BenchId",
                table: "zones",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_zones_PieceId",
                table: "zones",
                column: "PieceId");

            migrationBuilder.CreateIndex(
                name: "IX_zones_SchemeId",
                table: "zones",
                column: "SchemeId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "coats");

            migrationBuilder.DropTable(
                name: "mix_components");

            migrationBuilder.DropTable(
                name: "zones");

            migrationBuilder.DropTable(
                name: "materials");

            migrationBuilder.DropTable(
                name: "mixes");

            migrationBuilder.DropTable(
                name: "pieces");

            migrationBuilder.DropTable(
                name: "schemes");

            migrationBuilder.DropTable(
                name: "sets");

            migrationBuilder.DropTable(
                name: "benches");
        }
    }
}
