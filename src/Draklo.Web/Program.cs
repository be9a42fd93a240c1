using Draklo.Web.Hosting;

return await DrakloHost.RunAsync(args);
