<x-item-menu :item="$item" />
