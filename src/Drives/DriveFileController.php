<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\Document\Node;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A belt as a file: its open format, or its drawing. */
final class DriveFileController extends AbstractController
{
    private const AT = ['id' => '[a-z0-9-]{1,80}', 'name' => '[a-z0-9][a-z0-9.-]{0,79}', 'kind' => 'json|svg'];

    private const JSON = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR;

    #[Route('/vehicles/{id}/drives/{name}/file/{kind}', name: 'drive_file', requirements: self::AT, methods: ['GET'])]
    public function __invoke(string $id, string $name, string $kind, Garage $garage, DriveShelf $shelf): Response
    {
        $document = $shelf->document($garage->get($id), $name);
        $content = 'json' === $kind
            ? json_encode(['format' => Drive::FORMAT] + $document, self::JSON)
            : $this->renderView('drives/drawing.svg.twig', ['f' => BoardView::of(Drive::read(Node::of($document)), false)->drawing]);

        return new Response($content, headers: [
            'Content-Type' => 'json' === $kind ? 'application/json' : 'image/svg+xml',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $id.'-'.$name.'.'.$kind),
        ]);
    }
}
