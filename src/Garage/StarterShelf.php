<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;

/** Vehicle sheets to begin from: what an engine bay of a kind has in it, with no figure at all. Shipped in starters/. */
final readonly class StarterShelf
{
    public function __construct(#[Autowire('%kernel.project_dir%/starters')] private string $directory)
    {
    }

    /** @return array<string, VehicleSheet> */
    public function all(): array
    {
        $sheets = [];
        foreach (glob($this->directory.'/*.yaml') ?: [] as $file) {
            $sheets[basename($file, '.yaml')] = VehicleSheet::read(Node::of(Yaml::parseFile($file)));
        }

        return $sheets;
    }

    /** @return array<string, string> id => name, read off the head of each file: a list needs no more of them */
    public function names(): array
    {
        $names = [];
        foreach (glob($this->directory.'/*.yaml') ?: [] as $file) {
            $head = (string) file_get_contents($file, length: 300);
            $names[basename($file, '.yaml')] = 1 === preg_match('/^name: (.+)$/m', $head, $m) ? trim($m[1]) : basename($file, '.yaml');
        }

        return $names;
    }

    /** @return array<array-key, mixed>|null nimble-knuckle/vehicle@2 */
    public function document(string $name): ?array
    {
        $file = $this->directory.'/'.$name.'.yaml';

        return 1 === preg_match('/\A[a-z0-9-]+\z/', $name) && is_file($file) ? Node::of(Yaml::parseFile($file))->raw() : null;
    }
}
