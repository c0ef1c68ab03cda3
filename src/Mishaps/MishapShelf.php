<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Mishaps;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sheet\Mishap\Mishap;
use NimbleKnuckle\Core\Sheet\Mishap\MishapList;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;
use Symfony\Contracts\Cache\CacheInterface;
use Twig\Attribute\AsTwigFunction;

/** The mishaps that can be named: the workshop's own list where it has one, else the shipped one. */
final class MishapShelf
{
    private ?MishapList $list = null;

    public function __construct(
        #[Autowire(param: 'app.mishaps_file')] private readonly string $shipped,
        #[Autowire('%app.data_dir%/mishaps.yaml')] private readonly string $own,
        #[Autowire(service: 'cache.procedures')] private readonly CacheInterface $cache,
    ) {
    }

    public function all(): MishapList
    {
        $file = $this->file();
        try {
            return $this->list ??= MishapList::read(Node::of(Yaml::parseFile($file)));
        } catch (InvalidDocument|ParseException $e) {
            throw new \LogicException(sprintf('%s: %s', basename($file), $e->getMessage()), 0, $e);
        }
    }

    /** @return array<string, string> id => title; kept until the file changes, for the bench asks with every tap */
    #[AsTwigFunction('mishaps')]
    public function titles(): array
    {
        $file = $this->file();

        return $this->cache->get(
            'mishaps.'.hash('xxh128', $file).'.'.filemtime($file),
            fn (): array => array_map(static fn (Mishap $one): string => $one->title, $this->all()->mishaps),
        );
    }

    private function file(): string
    {
        return is_file($this->own) ? $this->own : $this->shipped;
    }
}
