using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;

namespace Frameworks.Data;

/// <summary>What the migrations lead to.</summary>
[DbContext(typeof(HarbourContext))]
public sealed class HarbourContextModelSnapshot : ModelSnapshot
{
    protected override void BuildModel(ModelBuilder modelBuilder) => modelBuilder.Entity("Frameworks.Data.Berth", berth =>
    {
        berth.Property<int>("Id").ValueGeneratedOnAdd().HasColumnType("INTEGER");
        berth.Property<string>("Vessel").IsRequired().HasColumnType("TEXT");
        berth.HasKey("Id");
        berth.ToTable("Berths");
    });
}
