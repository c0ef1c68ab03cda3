<?php

declare(strict_types=1);

namespace NimbleKnuckle\App;

use NimbleKnuckle\App\Fits\LawVersion;
use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Config\Resource\DirectoryResource;
use Symfony\Component\DependencyInjection\ContainerBuilder;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    protected function build(ContainerBuilder $container): void
    {
        $container->setParameter('app.law', LawVersion::of($this->getProjectDir()));
        foreach (LawVersion::ROOMS as $room) {
            $container->addResource(new DirectoryResource($this->getProjectDir().'/'.$room, '~\.php$~'));
        }
    }
}
