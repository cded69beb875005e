using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.ApplicationParts;
using Microsoft.AspNetCore.Mvc.Razor.Compilation;
using Microsoft.AspNetCore.Mvc.Razor.Internal;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.AspNetCore.Mvc.ViewComponents;

namespace Junctivor.EntryPoints;

/// <summary>Reads Razor Pages and their models, and what views and view components inject.</summary>
internal static class PageReader
{
    public static void Read(Endpoint endpoint, IServiceProvider host, FoundEntryPoints found)
    {
        if (endpoint.Metadata.GetMetadata<PageActionDescriptor>() is not { } described
            || host.GetService(typeof(PageLoader)) is not PageLoader loader)
        {
            return;
        }

        // What the project compiled is only looked up.
        CompiledPageActionDescriptor page = loader.LoadAsync(described, endpoint.Metadata).GetAwaiter().GetResult();
        if (page.ModelTypeInfo is { } model)
        {
            found.AddClass(model.Name, model);
        }

        foreach (HandlerMethodDescriptor handler in page.HandlerMethods ?? [])
        {
            found.Add(
                $"{handler.MethodInfo.DeclaringType!.Name}.{handler.MethodInfo.Name}", handler.MethodInfo,
                HandlerParameter.AllOf(handler.MethodInfo).Where(parameter => parameter.IsMarkedAsService));
        }
    }

    /// <summary>Every view has helpers of the framework, which sets some of them itself.</summary>
    private static bool IsOfFramework(PropertyInfo property) =>
        property.PropertyType.Namespace?.StartsWith("Microsoft.AspNetCore.Mvc", StringComparison.Ordinal) == true;

    /// <summary>Adds what <c>@inject</c> of views and pages requests, and view components; nothing, where the host has none.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = Trimming.KeptByHost)]
    public static void ReadViews(IServiceProvider host, FoundEntryPoints found)
    {
        if (host.GetService(typeof(ApplicationPartManager)) is ApplicationPartManager parts)
        {
            ViewsFeature views = new();
            parts.PopulateFeature(views);
            foreach (CompiledViewDescriptor view in views.ViewDescriptors.Where(view => view.Type is not null))
            {
                found.Add(view.RelativePath, view.Type!, view.Type!.GetProperties()
                    .Where(property => property.IsDefined(typeof(RazorInjectAttribute), inherit: true) && !IsOfFramework(property))
                    .Select(HandlerParameter.Of));
            }
        }

        if (host.GetService(typeof(IViewComponentDescriptorCollectionProvider)) is IViewComponentDescriptorCollectionProvider components)
        {
            bool isService = host.GetService(typeof(IViewComponentActivator)) is ServiceBasedViewComponentActivator;
            foreach (ViewComponentDescriptor component in components.ViewComponents.Items)
            {
                CreatedByHost.Read(component.TypeInfo, "AddViewComponentsAsServices", isService, found);
            }
        }
    }
}
